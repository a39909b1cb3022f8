<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Till\Denominations;
use Elmstone\Shop\House;

/** The rows of notes and coins that are counted: those of the shop's currency, or those it says it has. */
final class Rows
{
    /** @return array<int, Money> by minor units, largest first */
    public static function of(House $house): array
    {
        return Denominations::of($house->currency())?->all() ?? Denominations::byWorth($house->notes());
    }
}
