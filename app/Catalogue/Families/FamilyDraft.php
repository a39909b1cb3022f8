<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

/** A family as it shall be made, with what all its items have in common. */
final readonly class FamilyDraft
{
    /**
     * @param  list<string>  $firstValues
     * @param  list<string>  $secondValues none where there is one property only
     * @param  array<string, mixed>  $fields columns of every item of it: unit, price_per, list_price, cost, tax_class
     */
    public function __construct(
        public string $code,
        public string $name,
        public int $department,
        public string $first,
        public array $firstValues,
        public string $second,
        public array $secondValues,
        public array $fields,
    ) {
    }
}
