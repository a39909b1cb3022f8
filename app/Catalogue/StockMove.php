<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;

/** So much of an item into (above zero) or out of (below zero) a location, at a cost per unit of its price. */
final readonly class StockMove
{
    /**
     * @param  Money|null  $value what it does to the inventory account; null: goods are only set aside
     */
    public function __construct(
        public int $itemId,
        public int $locationId,
        public BigDecimal $quantity,
        public UnitPrice $unitCost,
        public ?Money $value = null,
    ) {
    }

    /** Goods are set aside, or free again: none leaves. */
    public static function aside(int $itemId, int $locationId, BigDecimal $quantity): self
    {
        return new self($itemId, $locationId, $quantity, UnitPrice::of('0'));
    }
}
