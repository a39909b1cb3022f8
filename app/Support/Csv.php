<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Symfony\Component\HttpFoundation\StreamedResponse;

/** Tables as CSV (RFC 4180), streamed row by row. */
final class Csv
{
    /**
     * @param  list<string>  $head
     * @param  iterable<list<string>>  $rows
     */
    public static function download(string $name, array $head, iterable $rows): StreamedResponse
    {
        return response()->streamDownload(
            static function () use ($head, $rows): void {
                $out = fopen('php://output', 'wb') ?: throw new \RuntimeException('The answer cannot be written.');
                self::write($out, $head, $rows);
            },
            $name,
            ['Content-Type' => 'text/csv; charset=UTF-8'],
        );
    }

    /**
     * The same as bytes.
     *
     * @param  list<string>  $head
     * @param  iterable<list<string>>  $rows
     */
    public static function text(array $head, iterable $rows): string
    {
        $out = fopen('php://temp', 'w+b') ?: throw new \RuntimeException('There is no room for a table.');
        self::write($out, $head, $rows);
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /**
     * @param  resource  $out
     * @param  list<string>  $head
     * @param  iterable<list<string>>  $rows
     */
    private static function write(mixed $out, array $head, iterable $rows): void
    {
        fputcsv($out, $head, escape: '', eol: "\r\n");

        foreach ($rows as $row) {
            fputcsv($out, array_map(self::harmless(...), $row), escape: '', eol: "\r\n");
        }
    }

    /**
     * A text that a spreadsheet would run as a formula gets an apostrophe in front (common practice, OWASP "CSV
     * Injection").
     */
    private static function harmless(string $cell): string
    {
        return preg_match('/^[=+@\t\r]|^-(?!\d)/', $cell) === 1 ? "'{$cell}" : $cell;
    }
}
