<?php

declare(strict_types=1);

namespace Elmstone\Customers\Drafts;

/** Another address of a customer's, as it is to be. */
final readonly class AddressDraft
{
    public function __construct(
        public string $label,
        public string $street,
        public string $postcode,
        public string $town,
        public string $country,
    ) {
    }

    /** @return array<string, string> */
    public function columns(): array
    {
        return [
            'label' => $this->label,
            'street' => $this->street,
            'postcode' => $this->postcode,
            'town' => $this->town,
            'country' => $this->country,
        ];
    }
}
