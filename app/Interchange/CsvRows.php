<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Refused;
use Generator;

/**
 * Reads a table from CSV (RFC 4180) as it comes from a spreadsheet: comma, semicolon or tab, with or without a byte
 * order mark, in UTF-8 or Windows-1252.
 */
final class CsvRows
{
    public const MOST = 100_000;

    /** @var list<string> the head, in lower case */
    public readonly array $head;

    private readonly string $separator;

    /**
     * @param  int  $above how many lines stand above the head
     *
     * @throws Refused not_a_table
     */
    public function __construct(private readonly string $text, private readonly int $above = 0)
    {
        $first = self::line($this->clean(), $above);
        $first === null && throw Refused::because('not_a_table', 'The file is empty.');
        $this->separator = self::separator($first);
        $this->head = self::names($first, $this->separator);
    }

    /**
     * @return list<string>|null the cells of a line, as names are read: trimmed, in lower case; null: it is blank or
     *     not there
     */
    public static function head(string $text, int $above): ?array
    {
        $line = self::line(self::inUtf8($text), $above);

        return $line === null ? null : self::names($line, self::separator($line));
    }

    private static function line(string $text, int $above): ?string
    {
        $line = (preg_split('/\r\n|\r|\n/', $text, $above + 2) ?: [])[$above] ?? '';

        return trim($line) === '' ? null : $line;
    }

    private static function separator(string $line): string
    {
        $counts = array_map(static fn (string $mark): int => substr_count($line, $mark), [
            ',' => ',',
            ';' => ';',
            "\t" => "\t",
        ]);
        arsort($counts);

        return (string) array_key_first($counts);
    }

    /** @return list<string> */
    private static function names(string $line, string $separator): array
    {
        return array_map(
            static fn (?string $name): string => mb_strtolower(trim((string) $name)),
            str_getcsv($line, $separator, '"', ''),
        );
    }

    /**
     * @return Generator<int, array<string, string>> by line of the file, each row by the names of the head
     *
     * @throws Refused too_many_rows
     */
    public function rows(): Generator
    {
        $file = fopen('php://temp', 'r+b') ?: throw Refused::because('not_a_table', 'The file cannot be read.');
        fwrite($file, $this->clean());
        rewind($file);

        for ($line = 1; $line <= $this->above; $line++) {
            fgets($file);
        }

        fgetcsv($file, separator: $this->separator, escape: '');

        for (
            $line = $this->above + 2;
            ($cells = fgetcsv($file, separator: $this->separator, escape: '')) !== false;
            $line++
        ) {
            if ($line > self::MOST + $this->above + 1) {
                throw Refused::because(
                    'too_many_rows',
                    'That is more than '.number_format(self::MOST).' rows. Split the file.',
                );
            }

            if ($cells !== [null]) {
                yield $line => $this->named($cells);
            }
        }

        fclose($file);
    }

    /**
     * @param  array<string|null>  $cells
     * @return array<string, string>
     */
    private function named(array $cells): array
    {
        $row = [];

        foreach ($this->head as $i => $name) {
            // Our own files guard a formula with an apostrophe.
            $row[$name] = preg_replace("/^'(?=[=+@-])/", '', trim((string) ($cells[$i] ?? ''))) ?? '';
        }

        return $row;
    }

    private function clean(): string
    {
        return self::inUtf8($this->text);
    }

    private static function inUtf8(string $text): string
    {
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;

        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}
