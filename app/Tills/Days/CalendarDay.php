<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

/** A day of a location as it stands in the calendar. */
final readonly class CalendarDay
{
    /**
     * @param  string  $state closed, open, no trade, to come
     * @param  int  $documents how many there are
     */
    public function __construct(public string $state, public int $documents)
    {
    }
}
