<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Money;

/** What one line comes to. All figures positive, whichever way the goods go. */
final readonly class ReckonedLine
{
    /** What coupons take off it. */
    public Money $coupons;

    /**
     * @param  array<string, Money>  $tax by component id, for the components that apply to the line
     * @param  Money  $total net and tax; with tax-inclusive prices the same as net
     */
    public function __construct(
        public SlipLine $line,
        public Money $gross,
        public Money $lineDiscount,
        public Money $slipDiscount,
        public Money $net,
        public array $tax,
        public Money $taxTotal,
        public Money $total,
        ?Money $coupons = null,
    ) {
        $this->coupons = $coupons ?? Money::zero($total->currency);
    }
}
