<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;

/** So many of an item go on a lorry to another location. */
final readonly class SentLine
{
    /** @param  list<string>  $serials */
    public function __construct(public Item $item, public Quantity $quantity, public array $serials = [])
    {
    }

    public function with(self $more): self
    {
        return new self(
            $this->item,
            Quantity::of((string) $this->quantity->value->plus($more->quantity->value)),
            [...$this->serials, ...$more->serials],
        );
    }
}
