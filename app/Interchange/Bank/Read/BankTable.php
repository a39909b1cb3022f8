<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\CsvRows;

/** Finds the head of a bank's table: many banks write the account, its holder and the days above it. */
final class BankTable
{
    /** How many lines are looked at. */
    private const LINES = 40;

    /** @throws Refused not_a_table */
    public static function of(string $bytes): CsvRows
    {
        return new CsvRows($bytes, self::above($bytes));
    }

    /**
     * How many lines stand above the head: the first line that names a day and an amount, or else the first that looks
     * like a row of names.
     */
    private static function above(string $bytes): int
    {
        $first = implode(
            "\n",
            array_slice(preg_split('/\r\n|\r|\n/', substr($bytes, 0, 64 * 1024)) ?: [], 0, self::LINES),
        );
        $rows = [];

        for ($above = 0; $above < self::LINES; $above++) {
            $cells = CsvRows::head($first, $above);

            if ($cells === null) {
                continue;
            }

            if (self::names($cells)) {
                return $above;
            }

            $rows[$above] = count(array_filter($cells, static fn (string $cell): bool => $cell !== ''));
        }

        foreach ([3, 2, 1] as $least) {
            foreach ($rows as $above => $filled) {
                if ($filled >= $least) {
                    return $above;
                }
            }
        }

        return 0;
    }

    /** @param  list<string>  $cells */
    private static function names(array $cells): bool
    {
        $known = static fn (string ...$says): bool => array_intersect(
            $cells,
            array_merge(...array_map(static fn (string $one): array => BankColumns::NAMES[$one], $says)),
        ) !== [];

        return $known('date') && $known('amount', 'in');
    }
}
