<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use DateTimeImmutable;

/** Whole days between business dates, whatever hour they carry. */
final readonly class Days
{
    /** @return int how many days later the second is; below zero: earlier */
    public static function between(DateTimeImmutable $from, DateTimeImmutable $until): int
    {
        return self::number($until) - self::number($from);
    }

    /**
     * Days since 1 March of the year 0 in the Gregorian calendar; reckoned in whole numbers, because an ageing asks for
     * very many.
     */
    private static function number(DateTimeImmutable $day): int
    {
        [$year, $month, $dayOfMonth] = array_map(intval(...), explode(' ', $day->format('Y n j')));
        // The year begins in March here, so that a leap day comes last.
        $year -= $month < 3 ? 1 : 0;
        $daysBefore = intdiv(153 * (($month + 9) % 12) + 2, 5);

        return 365 * $year + intdiv($year, 4) - intdiv($year, 100) + intdiv($year, 400) + $daysBefore + $dayOfMonth - 1;
    }
}
