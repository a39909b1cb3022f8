<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Refused;
use Generator;

/** Reads a table from CSV (RFC 4180) as it comes from a spreadsheet: comma, semicolon or tab, with or without a byte order mark, in UTF-8 or Windows-1252. */
final class CsvRows
{
    public const MOST = 100_000;

    /** @var list<string> the head, in lower case */
    public readonly array $head;

    private readonly string $separator;

    /** @throws Refused not_a_table */
    public function __construct(private readonly string $text)
    {
        $first = strtok($this->clean(), "\r\n");

        if ($first === false || trim($first) === '') {
            throw Refused::because('not_a_table', 'The file is empty.');
        }

        $counts = array_map(static fn (string $mark): int => substr_count($first, $mark), [',' => ',', ';' => ';', "\t" => "\t"]);
        arsort($counts);
        $this->separator = (string) array_key_first($counts);
        $this->head = array_map(static fn (?string $name): string => mb_strtolower(trim((string) $name)), str_getcsv($first, $this->separator, '"', ''));
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
        fgetcsv($file, separator: $this->separator, escape: '');

        for ($line = 2; ($cells = fgetcsv($file, separator: $this->separator, escape: '')) !== false; $line++) {
            if ($line > self::MOST + 1) {
                throw Refused::because('too_many_rows', 'That is more than '.number_format(self::MOST).' rows. Split the file.');
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
        $text = str_starts_with($this->text, "\xEF\xBB\xBF") ? substr($this->text, 3) : $this->text;

        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}
