<?php

declare(strict_types=1);

namespace Elmstone\Counter\Look;

use Carbon\CarbonImmutable;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\AccountStanding;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Illuminate\Support\Collection;

/** A customer as a clerk needs to know them while they stand there. */
final readonly class CustomerLook
{
    /**
     * @param  AccountStanding|null  $account null: they have none
     * @param  Collection<int, OpenItemRecord>  $owes oldest due first
     * @param  list<BoughtBefore>  $bought what was bought last first
     */
    private function __construct(
        public Customer $customer,
        public ?AccountStanding $account,
        public Collection $owes,
        public array $bought,
        public CarbonImmutable $day,
    ) {
    }

    /** Null where there is nobody. */
    public static function at(?Customer $customer, House $house, CarbonImmutable $day): ?self
    {
        if ($customer === null) {
            return null;
        }

        $account = HouseAccount::query()->where('customer_id', $customer->id)->first();

        return new self(
            $customer,
            $account === null ? null : AccountStanding::of($account, $house),
            $account === null ? collect() : AccountItems::open($customer->id, ItemKind::Charge, $house, $day)->records,
            BoughtBefore::by($customer->id),
            $day,
        );
    }
}
