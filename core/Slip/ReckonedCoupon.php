<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** What a coupon takes off; nothing where it is refused. */
final readonly class ReckonedCoupon
{
    /**
     * @param  Money  $basis what it comes off
     * @param  array<int, Money>  $shares by the line's place on the slip
     */
    public function __construct(
        public Coupon $coupon,
        public Money $basis,
        public Money $amount,
        public array $shares,
        public ?Refused $refused,
    ) {
    }
}
