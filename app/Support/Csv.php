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
                fputcsv($out, $head, escape: '', eol: "\r\n");

                foreach ($rows as $row) {
                    fputcsv($out, array_map(self::harmless(...), $row), escape: '', eol: "\r\n");
                }
            },
            $name,
            ['Content-Type' => 'text/csv; charset=UTF-8'],
        );
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
