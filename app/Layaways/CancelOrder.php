<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Staff\Approvals\GivenApproval;

/** A cancellation as somebody wants it. */
final readonly class CancelOrder
{
    /**
     * @param  array<string, Money>  $back by tender kind; deposit_held: kept as a deposit
     * @param  bool  $waive let the fee off
     * @param  int|null  $version the layaway as it was seen; null: as it is
     */
    public function __construct(
        public array $back,
        public string $reason,
        public string $reference = '',
        public bool $waive = false,
        public ?GivenApproval $approval = null,
        public ?int $version = null,
    ) {
    }

    /** A cheque has a number, a transfer a reference. */
    public function needsReference(): bool
    {
        $ways = array_filter($this->back, static fn (Money $amount): bool => $amount->isPositive());

        return array_intersect_key($ways, [
            TenderKind::Cheque->value => true,
            TenderKind::BankTransfer->value => true,
        ]) !== [];
    }
}
