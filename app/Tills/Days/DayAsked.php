<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;

/** A day as it is written in an address or a form. */
final class DayAsked
{
    /** Nothing that is a day: today. */
    public static function of(mixed $written): CarbonImmutable
    {
        return TypedDate::of($written) ?? ShopTime::today();
    }
}
