<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Tax\TaxSubtotal;

/** What a slip comes to. Figures are signed: what goes out minus what comes back. */
final readonly class ReckonedSlip
{
    /**
     * @param  list<ReckonedLine>  $lines
     * @param  list<ReckonedCoupon>  $coupons
     * @param  list<TaxSubtotal>  $tax one for each component in force, in the profile's order
     */
    public function __construct(
        public array $lines,
        public Money $subtotal,
        public Money $slipDiscount,
        public Money $net,
        public array $tax,
        public Money $taxTotal,
        public Money $total,
        public array $coupons = [],
    ) {
    }

    /** What all coupons take off. */
    public function couponTotal(): Money
    {
        return Money::sum(
            array_map(static fn (ReckonedCoupon $coupon): Money => $coupon->amount, $this->coupons),
            $this->total->currency,
        );
    }
}
