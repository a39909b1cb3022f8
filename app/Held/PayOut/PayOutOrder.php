<?php

declare(strict_types=1);

namespace Elmstone\Held\PayOut;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Staff\Approvals\GivenApproval;

/** What is to be paid out of what is held for a customer. */
final readonly class PayOutOrder
{
    /**
     * @param  string|null  $from the order it was kept for; null: what is free first
     * @param  string  $reference of the shop's cheque or transfer
     * @param  string  $key the same key is never paid out twice
     */
    public function __construct(
        public HeldKind $kind,
        public Customer $customer,
        public Money $amount,
        public TenderKind $way,
        public string $reference,
        public string $reason,
        public string $key,
        public ?string $from = null,
        public ?GivenApproval $given = null,
    ) {
    }

    public function note(): string
    {
        $what = $this->kind === HeldKind::Deposit ? 'Deposit paid back' : 'Store credit paid out';

        return mb_substr("{$what}: {$this->reason}", 0, 255);
    }
}
