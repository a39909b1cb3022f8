<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use stdClass;

/** Commission that was paid out to somebody. */
final readonly class CommissionPayment
{
    private function __construct(
        public string $label,
        public CarbonImmutable $day,
        public CarbonImmutable $until,
        public Money $amount,
    ) {
    }

    public static function read(stdClass $row): self
    {
        return new self(
            (string) $row->label,
            CarbonImmutable::parse((string) $row->business_date),
            CarbonImmutable::parse((string) $row->until),
            Money::ofMinor((int) $row->amount, Currency::of((string) $row->currency)),
        );
    }
}
