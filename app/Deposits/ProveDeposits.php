<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\ControlAccountProof;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/**
 * Proves the deposits: each document's change is its entries and its posting; what is held for each customer is the sum
 * of theirs; all of them are the account.
 */
final class ProveDeposits implements Check
{
    public function prove(Proof $proof): void
    {
        $account = ControlAccountProof::of($proof, 'deposit_change', 'deposit_entries', Accounts::DEPOSITS_HELD);

        foreach (
            DB::select(
                'SELECT a.customer_id, a.held, COALESCE(SUM(e.amount), 0) AS entries FROM deposit_accounts a LEFT '
                    .'JOIN deposit_entries e ON e.customer_id = a.customer_id GROUP BY a.customer_id, a.held HAVING '
                    .'a.held <> entries',
            ) as $row
        ) {
            $proof->fault(
                "deposits of customer {$row->customer_id}: {$row->held} is held, the entries come to {$row->entries}",
            );
        }

        foreach (
            DB::select(
                'SELECT customer_id, kept_for, SUM(amount) AS held FROM deposit_entries GROUP BY customer_id, '
                    .'kept_for HAVING held < 0',
            ) as $row
        ) {
            $proof->fault("deposits of customer {$row->customer_id} kept for “{$row->kept_for}” are below zero");
        }

        $proof->same(
            'deposits held',
            'the sum over all customers',
            (int) DepositAccount::query()->sum('held'),
            $account,
        );
        $proof->checked('deposit accounts equal to their entries', DepositAccount::query()->count());
    }
}
