<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use Elmstone\Core\Money\Money;

/** What a layaway is made under. */
final readonly class LayawayTerms
{
    /**
     * @param  Portion  $minDeposit of the total
     * @param  Portion  $minPayment of what remains
     * @param  Portion  $cancellationFee of the total
     */
    public function __construct(
        public Portion $minDeposit,
        public Portion $minPayment,
        public Portion $cancellationFee,
    ) {
    }

    /**
     * Over how many payments what remains may be shared out at most, so that none is below the least; at least one.
     * Null: over any number.
     */
    public function mostPayments(Money $remaining): ?int
    {
        $least = $this->minPayment->ofSum($remaining);

        return $least->isZero() ? null : max(1, intdiv($remaining->minor, $least->minor));
    }
}
