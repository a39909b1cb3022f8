<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Support\ShopTime;

/** A day as it is written in an address or a form. */
final class DayAsked
{
    /** Nothing that is a day: today. */
    public static function of(mixed $written): CarbonImmutable
    {
        return is_string($written)
            && preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $written, $found) === 1
            && checkdate((int) $found[2], (int) $found[3], (int) $found[1])
                ? CarbonImmutable::parse($written, 'UTC')
                : ShopTime::today();
    }
}
