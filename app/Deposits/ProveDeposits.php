<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Elmstone\Books\Accounts;
use Elmstone\Books\Check;
use Elmstone\Books\Proof;
use Illuminate\Support\Facades\DB;

/** Proves the deposits: each document's change is its entries and its posting; what is held for each customer is the sum of theirs; all of them are the account. */
final class ProveDeposits implements Check
{
    public function prove(Proof $proof): void
    {
        $off = DB::select(<<<'SQL'
            SELECT d.label, d.deposit_change, COALESCE(e.moved, 0) AS moved, COALESCE(j.posted, 0) AS posted FROM documents d
            LEFT JOIN (SELECT document_id, SUM(amount) AS moved FROM deposit_entries GROUP BY document_id) e ON e.document_id = d.id
            LEFT JOIN (SELECT document_id, SUM(credit) - SUM(debit) AS posted FROM journal_lines WHERE account = ? GROUP BY document_id) j ON j.document_id = d.id
            WHERE d.deposit_change <> COALESCE(e.moved, 0) OR d.deposit_change <> COALESCE(j.posted, 0)
            SQL, [Accounts::DEPOSITS_HELD]);

        foreach ($off as $row) {
            $proof->fault("{$row->label}: it changes the deposits by {$row->deposit_change}, the entries by {$row->moved}, the journal by {$row->posted}");
        }

        foreach (DB::select('SELECT a.customer_id, a.held, COALESCE(SUM(e.amount), 0) AS entries FROM deposit_accounts a LEFT JOIN deposit_entries e ON e.customer_id = a.customer_id GROUP BY a.customer_id, a.held HAVING a.held <> entries') as $row) {
            $proof->fault("deposits of customer {$row->customer_id}: {$row->held} is held, the entries come to {$row->entries}");
        }

        foreach (DB::select('SELECT customer_id, kept_for, SUM(amount) AS held FROM deposit_entries GROUP BY customer_id, kept_for HAVING held < 0') as $row) {
            $proof->fault("deposits of customer {$row->customer_id} kept for “{$row->kept_for}” are below zero");
        }

        $account = (int) DB::table('journal_lines')->where('account', Accounts::DEPOSITS_HELD)->sum(DB::raw('credit - debit'));
        $proof->same('deposits held', 'the sum over all customers', (int) DepositAccount::query()->sum('held'), $account);
        $proof->checked('deposit accounts equal to their entries', DepositAccount::query()->count());
    }
}
