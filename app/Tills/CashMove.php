<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;

/** Cash that somebody says comes or goes besides sales. */
final readonly class CashMove
{
    /**
     * @param  Purpose|null  $purpose null: change is fetched, so that as much goes as comes
     * @param  string  $account what petty cash is spent on, one of Accounts::PETTY
     */
    public function __construct(
        public ?Purpose $purpose,
        public Money $amount,
        public string $account = '',
        public string $reason = '',
        public ?PettyReceipt $receipt = null,
    ) {
    }

    public function isSpent(): bool
    {
        return $this->purpose === Purpose::PettyCash;
    }
}
