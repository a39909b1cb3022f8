<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;

/** So much of an item came in, for so much in all. */
final readonly class Incoming
{
    public function __construct(public Item $item, public Quantity $quantity, public Money $amount)
    {
    }
}
