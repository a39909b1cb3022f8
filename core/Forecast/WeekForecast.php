<?php

declare(strict_types=1);

namespace Elmstone\Core\Forecast;

use DateTimeImmutable;
use Elmstone\Core\Money\Money;

/** What is expected in a week, and between which figures four draws of five lie. */
final readonly class WeekForecast
{
    public function __construct(
        public DateTimeImmutable $from,
        public DateTimeImmutable $until,
        public Money $expected,
        public Money $low,
        public Money $high,
    ) {
    }

    public function has(Money $came): bool
    {
        return ! $this->low->exceeds($came) && ! $came->exceeds($this->high);
    }
}
