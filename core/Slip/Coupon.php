<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;

/** A coupon as it is shown at the counter: what it takes off, of which lines, and when it counts. */
final readonly class Coupon
{
    /**
     * @param  Reduction  $reduction an amount takes at most what there is
     * @param  list<string>|null  $lines the ids of the lines it is for; null: all
     * @param  Money|null  $leastSpend what the goods going out must come to, after their own discounts
     * @param  bool  $alone not together with another coupon
     */
    public function __construct(
        public string $id,
        public Reduction $reduction,
        public ?array $lines = null,
        public ?Money $leastSpend = null,
        public bool $alone = false,
    ) {
    }

    /** What it takes off a basis. */
    public function of(Money $basis): Money
    {
        return $this->reduction->amount === null
            ? $this->reduction->of($basis)
            : Money::min($this->reduction->amount, $basis);
    }

    /** Whether it reaches a line. */
    public function isFor(SlipLine $line): bool
    {
        return $line->sharesSlipDiscount() && ($this->lines === null || in_array($line->id, $this->lines, true));
    }
}
