<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;

/** A customer found, and what tells whether they may charge. */
final readonly class AccountFound
{
    public function __construct(
        public Customer $customer,
        public ?Money $balance,
        public ?Money $available,
        public bool $stopped,
    ) {
    }

    public function words(): string
    {
        return match (true) {
            $this->balance === null => 'no account',
            $this->stopped => 'on stop',
            default => '',
        };
    }
}
