<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Illuminate\Support\Facades\DB;

/** What was measured with few documents and with many, each figure beside its floor of the same minutes. */
final class SalesReport
{
    /** What, its figure, the floors it is held against together, and its aim. */
    private const ROWS = [
        ['Posting a sale of ten lines, p50', 'post p50', ['empty p50', 'sql p50'], ''],
        ['Posting a sale of ten lines, p95', 'post p95', ['empty p95', 'sql p95'], 'under 60, and 4 times its floors'],
        ['Entry line answers, p95', 'find p95', ['empty p95'], 'under 30'],
        ['A line added to a slip, p95', 'add p95', ['empty p95'], 'under 35'],
        ['A line added to the slip of an account, p95', 'theirs p95', ['empty p95'], 'under 35'],
        ['A line added to a slip of 200 lines, p95', 'long p95', ['beside long p95'], 'under 60'],
        ['Register page, p95', 'register p95', ['empty p95'], ''],
        ['floor: the same rows by plain SQL in one transaction, p50', 'sql p50', [], ''],
        ['floor: the same, p95', 'sql p95', [], ''],
        ['floor: an empty route, p50', 'empty p50', [], ''],
        ['floor: the same, p95', 'empty p95', [], ''],
        ['floor: the same beside the long slip, p95', 'beside long p95', [], ''],
        ['The answer to a line on the long slip, KB', 'long KB', [], 'under 40'],
        ['Sales a second, four tills at once', 'per second', [], ''],
        ['Statements: a line added', 'add statements', [], ''],
        ['Statements: a line added to the slip of an account', 'theirs statements', [], ''],
        ['Statements: the entry line', 'find statements', [], ''],
        ['Statements: cash counted', 'cash statements', [], ''],
        ['Statements: posting eleven lines', 'post statements', [], ''],
        ['Statements: the register', 'register statements', [], ''],
    ];

    /**
     * @param  array<string, float>  $small milliseconds, or what else is said
     * @param  array<string, float>  $large
     */
    public static function of(array $small, array $large): string
    {
        $rows = array_map(static fn (array $row): string => self::row($row, $small, $large), self::ROWS);

        return sprintf(
            "# Measured on %s\n\n%d cores, %s %s, PHP %s, %s. %s items; durable commits; PHP's own server with several "
                .'workers. Milliseconds, where nothing else is said; growth of what a figure is of its floors, as the '
                ."machine is not as fast in one minute as in the next.\n\n| | %s documents | of its floors | %s "
                ."documents | of its floors | growth | aim |\n|---|---:|---:|---:|---:|---:|---|\n%s",
            date('j M Y'),
            (int) shell_exec('nproc'),
            php_uname('s'),
            php_uname('m'),
            PHP_VERSION,
            DB::scalar('SELECT VERSION()'),
            number_format($large['items']),
            number_format($small['documents']),
            number_format($large['documents']),
            implode('', $rows),
        );
    }

    /**
     * @param  array{string, string, list<string>, string}  $row
     * @param  array<string, float>  $small
     * @param  array<string, float>  $large
     */
    private static function row(array $row, array $small, array $large): string
    {
        [$what, $key, $floors, $aim] = $row;
        $of = static fn (array $figures): float => $floors === []
            ? $figures[$key]
            : $figures[$key] / array_sum(array_map(static fn (string $floor): float => $figures[$floor], $floors));
        $times = static fn (array $figures): string => $floors === [] ? '' : sprintf('%.1f', $of($figures));

        return sprintf(
            "| %s | %.1f | %s | %.1f | %s | %+.0f %% | %s |\n",
            $what,
            $small[$key],
            $times($small),
            $large[$key],
            $times($large),
            ($of($large) / $of($small) - 1) * 100,
            $aim,
        );
    }
}
