<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use DateTimeImmutable;
use Elmstone\Core\Money\UnitPrice;

/** A price in force between two business dates, both included; an open end has no date. */
final readonly class DatedPrice
{
    public function __construct(
        public UnitPrice $price,
        public ?DateTimeImmutable $from = null,
        public ?DateTimeImmutable $until = null,
        public string $name = '',
    ) {
    }

    public function isInForce(DateTimeImmutable $on): bool
    {
        $day = $on->format('Y-m-d');

        return ($this->from === null || $this->from->format('Y-m-d') <= $day)
            && ($this->until === null || $this->until->format('Y-m-d') >= $day);
    }
}
