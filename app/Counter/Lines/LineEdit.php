<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

/** What was typed into a line; null where a field was not touched. */
final readonly class LineEdit
{
    public function __construct(
        public ?string $quantity = null,
        public ?string $price = null,
        public ?string $discount = null,
        public ?string $note = null,
        public ?string $serials = null,
        public ?string $seller = null,
    ) {
    }
}
