<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Core\Slip\ReckonedCoupon;

/** A coupon that took something off, as it stood then. */
final readonly class DraftCoupon
{
    /** @param  list<int>|null  $forLines positions it is for; null: all */
    public function __construct(
        public ReckonedCoupon $reckoned,
        public int $couponId,
        public string $description,
        public ?array $forLines,
    ) {
    }
}
