<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

/** An item as it shall be. */
final readonly class ItemDraft
{
    /**
     * @param  array<string, mixed>  $fields columns of items
     * @param  bool  $costTyped whether the cost was changed on the page; otherwise it stays what it has become
     *     meanwhile
     * @param  list<array{from_quantity: string, price: string}>  $breaks
     * @param  list<string>  $belongings codes of what goes with it
     * @param  list<array{name: string, price: string, from_date: string|null, until_date: string|null}>  $promotions
     */
    public function __construct(
        public array $fields,
        public array $breaks,
        public array $promotions,
        public bool $costTyped = true,
        public array $belongings = [],
    ) {
    }
}
