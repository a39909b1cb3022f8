<?php

declare(strict_types=1);

namespace Elmstone\Core\Forecast;

use Elmstone\Core\Money\Money;

/** An invoice, or part of one, that was met: so many days after it was due (before: below zero), so much. */
final readonly class PaidInvoice
{
    public function __construct(public int $days, public Money $amount)
    {
    }
}
