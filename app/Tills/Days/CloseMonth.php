<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** Closes months of the house in their order, each on its checks. Only the last one is ever opened again. */
final class CloseMonth
{
    public function __construct(private readonly MonthChecks $checks)
    {
    }

    /**
     * @param  CarbonImmutable  $month any day of it
     *
     * @throws Refused not_over, closed_already, checks_open
     */
    public function handle(CarbonImmutable $month, Staff $by): Closing
    {
        $last = $month->endOfMonth()->startOfDay();
        $last->lessThan(ShopTime::today())
            || throw Refused::because('not_over', "{$month->format('F Y')} is not over.");

        return DB::transaction(function () use ($last, $by): Closing {
            $shop = self::held();
            $closed = $shop->months_closed_through;
            $closed !== null
                && $last->lessThanOrEqualTo($closed)
                && throw Refused::because('closed_already', "{$last->format('F Y')} is closed already.");
            $checks = $this->checks->of($last);

            foreach ($checks as $check) {
                $check->isRight
                    || throw Refused::because('checks_open', trim("Not right yet: {$check->words}. {$check->detail}"));
            }

            $closing = Closing::query()->create([
                'location_id' => null,
                'from_day' => $closed?->addDay() ?? $last->startOfMonth(),
                'through' => $last,
                'closed_by' => $by->id,
                'closed_at' => now(),
                'checks' => array_map(
                    static fn (MonthCheck $check): string => trim("{$check->words} {$check->detail}"),
                    $checks,
                ),
            ]);
            $shop->update(['months_closed_through' => $last]);

            return $closing;
        }, 3);
    }

    /**
     * Opens the month again that was closed last; its days stay closed until they are opened too.
     *
     * @throws Refused reason_missing, not_closed, later_closed, year_closed
     */
    public function reopen(CarbonImmutable $month, string $reason, Staff $by): Closing
    {
        $last = $month->endOfMonth()->startOfDay();
        $reason === '' && throw Refused::because('reason_missing', 'Write why it is opened again: that is kept.');

        return DB::transaction(static function () use ($last, $reason, $by): Closing {
            $shop = self::held();
            $closing = Closing::inForce(null)->where('through', $last)->first()
                ?? throw Refused::because('not_closed', "{$last->format('F Y')} is not closed.");
            $shop->months_closed_through?->equalTo($last) === true
                || throw Refused::because('later_closed', 'A later month is closed: that one is opened first.');
            $shop->years_closed_through?->greaterThanOrEqualTo($last) === true
                && throw Refused::because('year_closed', 'Its year is closed. Open the year again first.');
            $closing->update([
                'reopened_by' => $by->id,
                'reopened_at' => now(),
                'reason' => mb_substr($reason, 0, 255),
            ]);
            $before = Closing::inForce(null)->max('through');
            $shop->update(['months_closed_through' => $before]);

            return $closing;
        }, 3);
    }

    /** The locations first, as whoever posts or closes a day holds them; then the house. */
    private static function held(): Shop
    {
        Location::query()->orderBy('id')->lockForUpdate()->get();

        return Shop::query()->lockForUpdate()->firstOrFail();
    }
}
