<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Illuminate\Support\Facades\DB;

/**
 * Holds what documents say they did to a control account against the entries of its ledger and against the journals,
 * document by document.
 */
final class ControlAccountProof
{
    /** What moved on each day agrees, so that what is held does as of any day. */
    private static function byDay(Proof $proof, string $entries, string $account): void
    {
        $off = DB::select(
            <<<SQL
            SELECT day, SUM(moved) AS moved, SUM(posted) AS posted FROM (
                SELECT business_date AS day, SUM(amount) AS moved, 0 AS posted FROM {$entries} GROUP BY business_date
                UNION ALL
                SELECT j.business_date, 0, SUM(l.credit) - SUM(l.debit)
                    FROM journal_lines l JOIN journal_entries j ON j.document_id = l.document_id
                    WHERE l.account = ? GROUP BY j.business_date
            ) x GROUP BY day HAVING SUM(moved) <> SUM(posted)
            SQL
            ,
            [$account],
        );

        foreach ($off as $row) {
            $proof->fault("{$account} on {$row->day}: the entries move {$row->moved}, the journals {$row->posted}");
        }
    }

    /**
     * @param  string  $column of the documents: what each did, above zero where the shop owes more
     * @param  string  $entries the ledger's table, with document_id and amount
     * @return int what the account comes to, in minor units
     */
    public static function of(Proof $proof, string $column, string $entries, string $account): int
    {
        $off = DB::select(
            <<<SQL
            SELECT d.label, d.{$column} AS stated, COALESCE(e.moved, 0) AS moved, COALESCE(j.posted, 0) AS posted
                FROM documents d
            LEFT JOIN (SELECT document_id, SUM(amount) AS moved
                FROM {$entries} GROUP BY document_id) e ON e.document_id = d.id
            LEFT JOIN (SELECT document_id, SUM(credit) - SUM(debit) AS posted
                FROM journal_lines WHERE account = ? GROUP BY document_id) j ON j.document_id = d.id
            WHERE d.{$column} <> COALESCE(e.moved, 0) OR d.{$column} <> COALESCE(j.posted, 0)
            SQL
            ,
            [$account],
        );

        foreach ($off as $row) {
            $proof->fault(
                "{$row->label}: it changes {$account} by {$row->stated}, the entries by {$row->moved}, the journal "
                    ."by {$row->posted}",
            );
        }

        self::byDay($proof, $entries, $account);

        return (int) DB::table('journal_lines')->where('account', $account)->sum(DB::raw('credit - debit'));
    }
}
