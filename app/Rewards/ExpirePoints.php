<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Elmstone\Customers\Customer;
use Elmstone\Support\InTheMorning;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** Points that nobody used in time run out. */
final readonly class ExpirePoints implements InTheMorning
{
    public function __construct(private RewardTerms $terms)
    {
    }

    public function ofToday(): void
    {
        $months = $this->terms->programme() === null ? null : $this->terms->months();

        if ($months === null) {
            return;
        }

        $today = ShopTime::today();
        $since = $today->subMonthsNoOverflow($months);
        $old = DB::table('reward_entries')
            ->where('business_date', '<', $since->format('Y-m-d'))
            ->where('kind', 'earned')
            ->distinct()
            ->orderBy('customer_id')
            ->pluck('customer_id');

        foreach ($old as $customer) {
            DB::transaction(static function () use ($customer, $since, $today): void {
                // Whoever does it holds the customer, so that nothing runs out twice.
                $id = Customer::query()->lockForUpdate()->whereKey($customer)->firstOrFail()->id;
                $points = Points::runOut($id, $since);
                $points === 0 || Points::write($id, 'expired', -$points, $today);
            });
        }
    }
}
