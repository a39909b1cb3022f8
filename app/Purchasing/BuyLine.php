<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/** So much of an item that is to be bought. */
final readonly class BuyLine
{
    /**
     * @param  UnitPrice|null  $cost null: what the supplier asked last, else what the item costs
     * @param  list<Wanted>  $for whom it is meant for, none: stock
     */
    public function __construct(
        public Item $item,
        public Quantity $quantity,
        public ?UnitPrice $cost = null,
        public array $for = [],
    ) {
    }
}
