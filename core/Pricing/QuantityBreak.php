<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/** A price that holds from a quantity on. */
final readonly class QuantityBreak
{
    public function __construct(public Quantity $from, public UnitPrice $price)
    {
    }

    public function isReachedBy(Quantity $quantity): bool
    {
        return $quantity->value->isGreaterThanOrEqualTo($this->from->value);
    }
}
