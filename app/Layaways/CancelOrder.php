<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Staff\Approvals\GivenApproval;

/** A cancellation as somebody wants it. */
final readonly class CancelOrder
{
    /**
     * @param  array<string, int>  $back minor units by tender kind; deposit_held: kept as a deposit
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
}
