<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Carbon\CarbonImmutable;
use DateTimeInterface;

/**
 * The shop's clock. Moments are kept in UTC; the business date, and every time people see, is of the shop's own zone.
 * A date is kept as its midnight in UTC, whatever the zone: dates are compared with dates, moments with moments.
 */
final class ShopTime
{
    /** The business date now. */
    public static function today(): CarbonImmutable
    {
        return self::dayOf(CarbonImmutable::now());
    }

    /** Whether a date is the business date now. */
    public static function isToday(DateTimeInterface $day): bool
    {
        return $day->format('Y-m-d') === self::today()->format('Y-m-d');
    }

    /** The business date at a moment. */
    public static function dayOf(DateTimeInterface|string $moment): CarbonImmutable
    {
        return CarbonImmutable::parse(self::at($moment)->format('Y-m-d'), 'UTC');
    }

    /**
     * A moment on the shop's clock, to be shown.
     *
     * @param  DateTimeInterface|string  $moment text is UTC, as it stands in the database
     */
    public static function at(DateTimeInterface|string $moment): CarbonImmutable
    {
        return CarbonImmutable::parse($moment, 'UTC')->setTimezone(self::zone());
    }

    /**
     * The moment a business date begins, in UTC: its midnight, or the first there is where the clock skips midnight.
     */
    public static function beginning(DateTimeInterface $day): CarbonImmutable
    {
        return CarbonImmutable::parse($day->format('Y-m-d'), self::zone())->utc();
    }

    /** The moment the shop's clock shows a time on a date, in UTC. */
    public static function when(DateTimeInterface $day, int $hour, int $minute = 0): CarbonImmutable
    {
        return CarbonImmutable::parse(
            $day->format('Y-m-d').sprintf(' %02d:%02d', $hour, $minute),
            self::zone(),
        )->utc();
    }

    private static function zone(): string
    {
        $zone = config('house.timezone');

        return is_string($zone) ? $zone : 'UTC';
    }
}
