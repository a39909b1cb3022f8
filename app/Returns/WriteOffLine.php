<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;

/** So much of an item that is written off, and why. */
final readonly class WriteOffLine
{
    /** @param  list<string>  $serials of the pieces */
    public function __construct(
        public Item $item,
        public Quantity $quantity,
        public WriteOffReason $reason,
        public string $note = '',
        public array $serials = [],
    ) {
    }
}
