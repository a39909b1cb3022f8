<?php

declare(strict_types=1);

namespace Elmstone\Support\Casts;

use Elmstone\Core\Money\UnitPrice;

/**
 * A price or cost per unit.
 *
 * @extends DecimalCast<UnitPrice>
 */
final class UnitPriceCast extends DecimalCast
{
    protected function of(string $decimal): UnitPrice
    {
        return UnitPrice::of($decimal);
    }
}
