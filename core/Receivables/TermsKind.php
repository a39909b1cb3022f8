<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

/** How an invoice's due date follows from its date. */
enum TermsKind: string
{
    case Net = 'net';
    case AfterMonthEnd = 'after_month_end';
    case DayOfNextMonth = 'day_of_next_month';
    case AtOnce = 'at_once';

    /** Whether it goes with a number of days or a day of the month. */
    public function hasDays(): bool
    {
        return $this !== self::AtOnce;
    }
}
