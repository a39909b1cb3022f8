<?php

declare(strict_types=1);

namespace Elmstone\Customers;

/** A customer as somebody typed them. */
final readonly class CustomerDraft
{
    /**
     * @param  array<string, mixed>  $fields columns of the customer
     * @param  list<array<string, mixed>>|null  $contacts null: as they are
     * @param  list<array<string, mixed>>|null  $addresses
     * @param  list<array<string, mixed>>|null  $contractPrices
     * @param  list<string>|null  $tags
     */
    public function __construct(
        public array $fields,
        public ?array $contacts = null,
        public ?array $addresses = null,
        public ?array $contractPrices = null,
        public ?array $tags = null,
        public bool $sureItIsNew = false,
    ) {
    }
}
