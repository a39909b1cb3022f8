<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

use Elmstone\Core\Money\Percentage;

/** So many percent of the net, or of the margin, of what somebody sold, and when that is earned. */
final readonly class CommissionRate
{
    public function __construct(
        public Percentage $rate,
        public RateOf $of,
        public EarnedAt $earned = EarnedAt::Invoice,
    ) {
    }

    public static function none(EarnedAt $earned = EarnedAt::Invoice): self
    {
        return new self(Percentage::of('0'), RateOf::Net, $earned);
    }
}
