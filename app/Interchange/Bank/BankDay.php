<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Carbon\CarbonImmutable;
use Elmstone\Shop\Location;
use Elmstone\Support\ShopTime;

/**
 * The day a payment from the bank is posted on: the one it was booked on, or, where that is closed, the first open one.
 */
final class BankDay
{
    public static function of(?CarbonImmutable $bookedOn, Location $location): CarbonImmutable
    {
        $open = CarbonImmutable::parse($location->closed_through->format('Y-m-d'))->addDay();
        $day = $bookedOn?->startOfDay() ?? ShopTime::today();

        return CarbonImmutable::parse(min(max($day, $open), ShopTime::today())->format('Y-m-d'));
    }
}
