<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\ControlAccountProof;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/**
 * Proves store credit: each document's change is its entries and its posting; what each customer has is the sum of
 * theirs, never below zero on any day; all of it is the account.
 */
final class ProveStoreCredit implements Check
{
    public function prove(Proof $proof): void
    {
        $account = ControlAccountProof::of(
            $proof,
            'store_credit_change',
            'store_credit_entries',
            Accounts::STORE_CREDIT,
        );

        foreach (
            DB::select(
                'SELECT a.customer_id, a.held, COALESCE(SUM(e.amount), 0) AS entries FROM store_credit_accounts a '
                    .'LEFT JOIN store_credit_entries e ON e.customer_id = a.customer_id GROUP BY a.customer_id, '
                    .'a.held HAVING a.held <> entries',
            ) as $row
        ) {
            $proof->fault(
                "store credit of customer {$row->customer_id}: {$row->held} is theirs, the entries come "
                    ."to {$row->entries}",
            );
        }

        $proof->same(
            'store credit owed',
            'the sum over all customers',
            (int) StoreCreditAccount::query()->sum('held'),
            $account,
        );
        $proof->checked('store credits equal to their entries', StoreCreditAccount::query()->count());
    }
}
