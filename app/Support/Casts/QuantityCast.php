<?php

declare(strict_types=1);

namespace Elmstone\Support\Casts;

use Elmstone\Core\Money\Quantity;

/**
 * How much of an item.
 *
 * @extends DecimalCast<Quantity>
 */
final class QuantityCast extends DecimalCast
{
    protected function of(string $decimal): Quantity
    {
        return Quantity::of($decimal);
    }
}
