<?php

declare(strict_types=1);

namespace Elmstone\Core\Forecast;

use Elmstone\Core\Money\Money;

/** What is expected of one payer by week, and what that rests on. */
final readonly class PayerForecast
{
    /**
     * @param  list<Money>  $weeks
     * @param  Money  $later after the last week, or nobody can say when
     * @param  int  $invoices how many of their own it rests on
     */
    public function __construct(public string $id, public array $weeks, public Money $later, public int $invoices)
    {
    }

    /** Eighths of the house's habit in it. */
    public function ofTheHouse(): int
    {
        return max(0, Habit::ENOUGH - $this->invoices);
    }
}
