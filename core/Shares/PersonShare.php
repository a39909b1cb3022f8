<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

use Elmstone\Core\Money\Money;

/** What somebody has of a line: of its net, and as commission. */
final readonly class PersonShare
{
    public function __construct(
        public Part $part,
        public Money $net,
        public CommissionRate $rate,
        public Money $commission,
    ) {
    }
}
