<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Carbon\CarbonImmutable;
use Elmstone\Core\Forecast\Payer;
use Elmstone\Core\Money\Money;

/** A room that knows who will pay what, and how they have paid. Tagged "payers". */
interface ForecastsPayers
{
    /**
     * All as it was known when a day began: what was open, and what was paid in the twelve months before.
     *
     * @return list<Payer> their ids begin with that of the customer; after a space, what it is they pay
     */
    public function payers(CarbonImmutable $asOf): array;

    /** What came, in a time, on what was open as a day began. */
    public function came(CarbonImmutable $asOf, CarbonImmutable $from, CarbonImmutable $until): Money;
}
