<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that writes store credit. Always under the customer's lock, which is taken before anything else is
 * read in the transaction.
 */
final class StoreCreditLedger
{
    public function __construct(private readonly House $house)
    {
    }

    /** Also where nothing was ever owed them. */
    public function lock(int $customer): StoreCreditAccount
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Store credit is locked inside a transaction.');
        }

        return StoreCreditAccount::query()->where('customer_id', $customer)->lockForUpdate()->first()
            ?? $this->open($customer);
    }

    /**
     * @param  int  $amount minor units; below zero: used or paid out
     *
     * @throws Refused over_store_credit
     */
    public function move(StoreCreditAccount $account, int $document, int $amount, CarbonImmutable $day): void
    {
        if ($account->held + $amount < 0) {
            throw Refused::because(
                'over_store_credit',
                'Only '.Show::money($this->house->money($account->held)).' of store credit is theirs.',
            );
        }

        if ($amount !== 0) {
            DB::table('store_credit_entries')->insert([
                'customer_id' => $account->customer_id,
                'document_id' => $document,
                'amount' => $amount,
                'business_date' => $day->format('Y-m-d'),
            ]);
            $account->forceFill(['held' => $account->held + $amount])->save();
        }
    }

    /** Two may open the same account at once: the insert waits for the other, and the lock finds what is there then. */
    private function open(int $customer): StoreCreditAccount
    {
        DB::table('store_credit_accounts')->insertOrIgnore(['customer_id' => $customer, 'held' => 0]);

        return StoreCreditAccount::query()->where('customer_id', $customer)->lockForUpdate()->firstOrFail();
    }
}
