<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Carbon\CarbonImmutable;

/** In what order a bank writes a date. */
enum DateOrder: string
{
    case YearFirst = 'ymd';
    case MonthFirst = 'mdy';
    case DayFirst = 'dmy';

    public function words(): string
    {
        return match ($this) {
            self::YearFirst => 'year month day, 2027-01-31',
            self::MonthFirst => 'month day year, 01/31/2027',
            self::DayFirst => 'day month year, 31/01/2027',
        };
    }

    /**
     * The day a cell says, whatever stands between its parts; null where it is none. A year of two digits is of this
     * century.
     */
    public function read(string $cell): ?CarbonImmutable
    {
        if (
            preg_match(
                '/^(\d{1,2})[ .\-]?([A-Za-z]{3})[A-Za-z]*\.?[ .\-,]*(\d{4}|\d{2})(?:\D.*)?$/D',
                $cell,
                $named,
            ) === 1
        ) {
            $month = date_parse($named[2])['month'];

            return is_int($month) ? self::day((int) $named[3], $month, (int) $named[1]) : null;
        }

        if (preg_match('/^(\d{1,4})[\/.\- ](\d{1,2})[\/.\- ](\d{1,4})(?:[T ].*)?$/D', $cell, $parts) !== 1) {
            return preg_match('/^(\d{4})(\d{2})(\d{2})$/D', $cell, $solid) === 1
                ? self::day((int) $solid[1], (int) $solid[2], (int) $solid[3])
                : null;
        }

        [, $one, $two, $three] = array_map(intval(...), $parts);

        return match ($this) {
            self::YearFirst => strlen($parts[1]) === 4 ? self::day($one, $two, $three) : null,
            self::MonthFirst => self::day($three, $one, $two),
            self::DayFirst => self::day($three, $two, $one),
        };
    }

    private static function day(int $year, int $month, int $day): ?CarbonImmutable
    {
        $year < 100 && ($year += 2000);

        return $year >= 1990 && $year < 2200 && checkdate($month, $day, $year)
            ? CarbonImmutable::create($year, $month, $day)
            : null;
    }
}
