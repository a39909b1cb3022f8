<?php

declare(strict_types=1);

namespace Elmstone\Customers\Drafts;

use Elmstone\Core\Money\UnitPrice;

/** A price agreed with a customer, as it is to be. */
final readonly class ContractPriceDraft
{
    /**
     * @param  string|null  $from its first day, as YYYY-MM-DD; null: always before its last
     * @param  string|null  $until its last day; null: until something else is agreed
     */
    public function __construct(
        public int $itemId,
        public UnitPrice $price,
        public ?string $from,
        public ?string $until,
    ) {
    }

    /** @return array<string, int|string|UnitPrice|null> */
    public function columns(): array
    {
        return [
            'item_id' => $this->itemId,
            'price' => $this->price,
            'from_date' => $this->from,
            'until_date' => $this->until,
            'name' => '',
        ];
    }
}
