<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Elmstone\Receivables\Accounts\FollowsMerge;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * What is owed to the one that goes is owed to the other: entries take it from the one and give it to the other, under
 * the document it came by.
 */
final class MergeStoreCredit implements FollowsMerge
{
    public function __construct(private readonly StoreCreditLedger $ledger)
    {
    }

    public function merge(int $from, int $into): void
    {
        $accounts = [];

        foreach ([min($from, $into), max($from, $into)] as $customer) {
            $accounts[$customer] = $this->ledger->lock($customer);
        }

        $held = $accounts[$from]->held;
        $document = $held === 0
                ? null
                : DB::table('store_credit_entries')
                    ->where('customer_id', $from)
                    ->where('amount', '>', 0)
                    ->latest('id')
                    ->value('document_id');

        if (is_int($document)) {
            $this->ledger->move($accounts[$from], $document, -$held, ShopTime::today());
            $this->ledger->move($accounts[$into], $document, $held, ShopTime::today());
        }
    }
}
