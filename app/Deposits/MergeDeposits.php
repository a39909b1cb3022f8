<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Elmstone\Receivables\Accounts\FollowsMerge;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * What is held for the one that goes is held for the other: entries take it out of the one and put it with the other,
 * under the document it came by.
 */
final class MergeDeposits implements FollowsMerge
{
    public function __construct(private readonly DepositLedger $ledger)
    {
    }

    public function merge(int $from, int $into): void
    {
        foreach ([min($from, $into), max($from, $into)] as $customer) {
            $this->ledger->lock($customer);
        }

        $held = DepositsHeld::of($from);
        $day = ShopTime::today()->format('Y-m-d');
        $rows = [];

        foreach ($held->parts as $keptFor => $amount) {
            $document = DB::table('deposit_entries')
                ->where('customer_id', $from)
                ->where('kept_for', (string) $keptFor)
                ->where('amount', '>', 0)
                ->latest('id')
                ->value('document_id');

            foreach ([[$from, -$amount], [$into, $amount]] as [$customer, $moved]) {
                $rows[] = [
                    'customer_id' => $customer,
                    'document_id' => $document,
                    'kept_for' => (string) $keptFor,
                    'amount' => $moved,
                    'business_date' => $day,
                ];
            }
        }

        DB::table('deposit_entries')->insert($rows);
        DepositAccount::query()->whereKey($from)->decrement('held', $held->total());
        DepositAccount::query()->whereKey($into)->increment('held', $held->total());
    }
}
