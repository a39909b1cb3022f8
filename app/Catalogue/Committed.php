<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;

/** So much more of an item at a place is set aside for an agreement; below zero: less. */
final readonly class Committed
{
    public function __construct(
        public int $agreement,
        public int $item,
        public int $location,
        public BigDecimal $quantity,
    ) {
    }
}
