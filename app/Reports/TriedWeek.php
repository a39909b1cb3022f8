<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Core\Forecast\WeekForecast;
use Elmstone\Core\Money\Money;

/** A week that is over, as it was forecast, and what came. */
final readonly class TriedWeek
{
    public function __construct(public WeekForecast $week, public Money $came)
    {
    }

    public function isWithin(): bool
    {
        return $this->week->has($this->came);
    }
}
