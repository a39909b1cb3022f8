<?php

declare(strict_types=1);

namespace Elmstone\Customers\Drafts;

/** A customer as somebody typed them. */
final readonly class CustomerDraft
{
    /**
     * @param  array<string, mixed>  $fields columns of the customer
     * @param  list<ContactDraft>|null  $contacts null: as they are
     * @param  list<AddressDraft>|null  $addresses
     * @param  list<ContractPriceDraft>|null  $contractPrices
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
