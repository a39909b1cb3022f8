<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;

/** So much of an item came in, for so much in all. */
final readonly class Incoming
{
    /** @param  list<string>  $serials of single pieces, where they are known */
    public function __construct(
        public Item $item,
        public Quantity $quantity,
        public Money $amount,
        public array $serials = [],
    ) {
    }

    public function moving(GoodsMoving $moving, int $location): GoodsMoving
    {
        return $moving->in($this->item->id, $location)->pieces($this->item->id, $this->serials);
    }
}
