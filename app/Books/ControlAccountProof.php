<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Support\Facades\DB;

/** Holds what documents say they did to a control account against the entries of its ledger and against the journals, document by document. */
final class ControlAccountProof
{
    /**
     * @param  string  $column of the documents: what each did, above zero where the shop owes more
     * @param  string  $entries the ledger's table, with document_id and amount
     * @return int what the account comes to, in minor units
     */
    public static function of(Proof $proof, string $column, string $entries, string $account): int
    {
        $off = DB::select(<<<SQL
            SELECT d.label, d.{$column} AS stated, COALESCE(e.moved, 0) AS moved, COALESCE(j.posted, 0) AS posted FROM documents d
            LEFT JOIN (SELECT document_id, SUM(amount) AS moved FROM {$entries} GROUP BY document_id) e ON e.document_id = d.id
            LEFT JOIN (SELECT document_id, SUM(credit) - SUM(debit) AS posted FROM journal_lines WHERE account = ? GROUP BY document_id) j ON j.document_id = d.id
            WHERE d.{$column} <> COALESCE(e.moved, 0) OR d.{$column} <> COALESCE(j.posted, 0)
            SQL, [$account]);

        foreach ($off as $row) {
            $proof->fault("{$row->label}: it changes {$account} by {$row->stated}, the entries by {$row->moved}, the journal by {$row->posted}");
        }

        return (int) DB::table('journal_lines')->where('account', $account)->sum(DB::raw('credit - debit'));
    }
}
