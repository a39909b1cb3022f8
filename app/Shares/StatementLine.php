<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;

/** What somebody earned, or lost again, by a line of a document on a day. */
final readonly class StatementLine
{
    public function __construct(
        public CarbonImmutable $day,
        public int $document,
        public int $position,
        public string $label,
        public string $customer,
        public string $description,
        public string $percent,
        public Money $net,
        public string $rate,
        public string $rateOf,
        public Money $earned,
        public string $why,
    ) {
    }
}
