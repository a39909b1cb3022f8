<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Elmstone\Books\HeldKind;
use Illuminate\Support\Facades\DB;

/**
 * Holds what documents say they did to money held of a kind against the entries of its ledger and against the journals,
 * document by document and day by day.
 */
final readonly class ControlAccountProof
{
    /** @param  string  $entries SQL of the kind's entries: document_id, business_date, amount */
    public function __construct(private HeldKind $kind, private string $entries)
    {
    }

    /** @return int what the account comes to, in minor units */
    public function prove(Proof $proof): int
    {
        $account = $this->kind->account();
        $this->byDocument($proof, $account);
        $this->byDay($proof, $account);

        return (int) DB::table('journal_lines')->where('account', $account)->sum(DB::raw('credit - debit'));
    }

    private function byDocument(Proof $proof, string $account): void
    {
        $off = DB::select(
            <<<SQL
            SELECT d.label, SUM(stated) AS stated, SUM(moved) AS moved, SUM(posted) AS posted FROM (
                SELECT document_id, amount AS stated, 0 AS moved, 0 AS posted FROM document_held WHERE kind = ?
                UNION ALL
                SELECT e.document_id, 0, e.amount, 0 FROM ({$this->entries}) e
                UNION ALL
                SELECT document_id, 0, 0, credit - debit FROM journal_lines WHERE account = ?
            ) x JOIN documents d ON d.id = x.document_id
            GROUP BY d.id, d.label HAVING SUM(stated) <> SUM(moved) OR SUM(stated) <> SUM(posted)
            SQL
            ,
            [$this->kind->value, $account],
        );

        foreach ($off as $row) {
            $proof->fault(
                "{$row->label}: it changes {$account} by {$row->stated}, the entries by {$row->moved}, the journal "
                    ."by {$row->posted}",
            );
        }
    }

    /** What moved on each day agrees, so that what is held does as of any day. */
    private function byDay(Proof $proof, string $account): void
    {
        $off = DB::select(
            <<<SQL
            SELECT day, SUM(moved) AS moved, SUM(posted) AS posted FROM (
                SELECT e.business_date AS day, e.amount AS moved, 0 AS posted FROM ({$this->entries}) e
                UNION ALL
                SELECT j.business_date, 0, l.credit - l.debit
                    FROM journal_lines l JOIN journal_entries j ON j.document_id = l.document_id
                    WHERE l.account = ?
            ) x GROUP BY day HAVING SUM(moved) <> SUM(posted)
            SQL
            ,
            [$account],
        );

        foreach ($off as $row) {
            $proof->fault("{$account} on {$row->day}: the entries move {$row->moved}, the journals {$row->posted}");
        }
    }
}
