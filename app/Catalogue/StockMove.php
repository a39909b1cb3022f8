<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\UnitPrice;

/** So much of an item into (above zero) or out of (below zero) a location, at a cost per unit of its price. */
final readonly class StockMove
{
    public function __construct(public int $itemId, public int $locationId, public BigDecimal $quantity, public UnitPrice $unitCost)
    {
    }
}
