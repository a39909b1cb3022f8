<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Carbon\CarbonImmutable;

/**
 * A day that has passed, as people type it: 2026-11-12, 11/25 (month first), 25.11. (day first), "12 Nov", "today" or
 * "yesterday". Without a year it is the last such day.
 */
final class TypedDay
{
    /** Null: it is none. */
    public static function read(string $typed, CarbonImmutable $today): ?CarbonImmutable
    {
        $text = mb_strtolower(trim($typed));
        $date = match (true) {
            $text === 'today' => $today,
            $text === 'yesterday' => $today->subDay(),
            preg_match('/^\d{4}-\d{2}-\d{2}$/D', $text) === 1 => self::asWritten('Y-m-d', $text),
            preg_match('#^(\d{1,2})/(\d{1,2})(?:/(\d{4}))?$#D', $text, $parts) === 1 => self::date(
                $parts[3] ?? '',
                $parts[1],
                $parts[2],
                $today,
            ),
            preg_match('/^(\d{1,2})\.(\d{1,2})\.(\d{4})?$/D', $text, $parts) === 1 => self::date(
                $parts[3] ?? '',
                $parts[2],
                $parts[1],
                $today,
            ),
            preg_match('/^\d{1,2} [a-z]{3}$/D', $text) === 1 => self::asWritten('j M Y', "{$text} {$today->year}"),
            preg_match('/^\d{1,2} [a-z]{3} \d{4}$/D', $text) === 1 => self::asWritten('j M Y', $text),
            default => null,
        };

        return $date?->greaterThan($today) === true ? $date->subYear() : $date;
    }

    private static function asWritten(string $format, string $text): ?CarbonImmutable
    {
        return CarbonImmutable::canBeCreatedFromFormat($text, $format)
            ? CarbonImmutable::createFromFormat("!{$format}", $text)
            : null;
    }

    private static function date(string $year, string $month, string $day, CarbonImmutable $today): ?CarbonImmutable
    {
        $year = $year === '' ? $today->year : (int) $year;

        return checkdate((int) $month, (int) $day, $year)
            ? $today->setDate($year, (int) $month, (int) $day)->startOfDay()
            : null;
    }
}
