<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Purchasing\Suppliers\Supplier;

/** So many of an item that belongs to an owner. */
final readonly class TheirGoods
{
    /** @param  list<string>  $serials */
    public function __construct(public Item $item, public Quantity $quantity, public array $serials = [])
    {
    }

    /** @throws Refused not_theirs */
    public function assertOf(Supplier $owner): void
    {
        $this->item->owner_id === $owner->id || throw Refused::because(
            'not_theirs',
            "{$this->item->code} does not belong to {$owner->name}. Say so on its line first.",
        );
    }
}
