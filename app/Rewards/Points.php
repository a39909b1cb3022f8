<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The points of a customer: the sum of their entries, which are only ever added to. */
final class Points
{
    /** @phpstan-impure */
    public static function of(int $customer): int
    {
        return (int) DB::table('reward_entries')->where('customer_id', $customer)->sum('points');
    }

    /** @param  array<string, mixed>  $more */
    public static function write(int $customer, string $kind, int $points, CarbonImmutable $day, array $more = []): void
    {
        DB::table('reward_entries')->insert([
            'customer_id' => $customer,
            'kind' => $kind,
            'points' => $points,
            'business_date' => $day->format('Y-m-d'),
            ...$more,
        ]);
    }

    /**
     * What has run out: the oldest points are used first, so what is left beyond those collected since is too old.
     *
     * @param  CarbonImmutable  $since points of this day and later hold
     */
    public static function runOut(int $customer, CarbonImmutable $since): int
    {
        $young = (int) DB::table('reward_entries')
            ->where('customer_id', $customer)
            ->whereIn('kind', ['earned', 'merged'])
            ->where('points', '>', 0)
            ->where('business_date', '>=', $since->format('Y-m-d'))
            ->sum('points');

        return max(0, self::of($customer) - $young);
    }
}
