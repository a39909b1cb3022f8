<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Carbon\CarbonImmutable;
use DateTimeZone;
use Elmstone\Support\Report\Period;

/** Moments of the database, which are UTC, on the shop's clock within a query: also where the clock changes in it. */
final class LocalTime
{
    /** How long before and after its day something may be posted under that day. */
    private const AROUND = 400;

    /** @return string SQL of the moment on the shop's clock */
    public static function sql(string $column, Period $period): string
    {
        $zone = new DateTimeZone(ShopTime::at(CarbonImmutable::now())->getTimezone()->getName());
        $changes = $zone->getTransitions(
            $period->from->subDays(self::AROUND)->getTimestamp(),
            $period->until->addDays(self::AROUND)->getTimestamp(),
        );
        $offset = (string) ($changes[array_key_last($changes) ?? 0]['offset'] ?? 0);

        for ($i = count($changes) - 1; $i > 0; $i--) {
            $at = CarbonImmutable::createFromTimestampUTC($changes[$i]['ts'])->format('Y-m-d H:i:s');
            $offset = "IF({$column} < '{$at}', {$changes[$i - 1]['offset']}, {$offset})";
        }

        return "DATE_ADD({$column}, INTERVAL {$offset} SECOND)";
    }
}
