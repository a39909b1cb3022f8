<?php

declare(strict_types=1);

namespace Elmstone\Support\Report;

use Carbon\CarbonImmutable;
use Elmstone\Support\Csv;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * A table that the office asks for: columns, rows and totals, said once, and then shown as a page, printed from it, or
 * saved as a file.
 *
 * @template TRow
 */
final readonly class Report
{
    /**
     * @param  iterable<TRow>  $rows
     * @param  list<Column<TRow>>  $columns
     * @param  string  $about what it shows, beside its title
     * @param  string  $count "3 customers", before the totals
     * @param  string  $empty what is said where there are no rows
     * @param  string  $file its name without the ending
     * @param  string  $csvRoute where the file comes from
     * @param  CarbonImmutable|null  $day as of which it is; null: it is of no day
     * @param  array<string, mixed>  $csvQuery what its file is asked for by
     */
    private function __construct(
        public string $title,
        public iterable $rows,
        public array $columns = [],
        public string $about = '',
        public string $count = '',
        public string $empty = 'Nothing here.',
        public string $file = 'report',
        public string $csvRoute = '',
        public ?CarbonImmutable $day = null,
        private array $csvQuery = [],
    ) {
    }

    /**
     * @template T
     *
     * @param  iterable<T>  $rows a list, or for a long file, rows as they are read
     * @param  list<Column<T>>  $columns
     * @return self<T>
     */
    public static function of(string $title, iterable $rows, array $columns): self
    {
        return new self($title, $rows, $columns);
    }

    /** @return self<TRow> */
    public function about(string $words): self
    {
        return $this->but(['about' => $words]);
    }

    /** @return self<TRow> so many rows, in words */
    public function counting(int $rows, string $one, string $many): self
    {
        return $this->but(['count' => "{$rows} ".($rows === 1 ? $one : $many)]);
    }

    /**
     * @param  string  $words before its totals, where they are of more than its rows
     * @return self<TRow>
     */
    public function summedAs(string $words): self
    {
        return $this->but(['count' => $words]);
    }

    /** @return self<TRow> */
    public function orElse(string $words): self
    {
        return $this->but(['empty' => $words]);
    }

    /**
     * @param  string  $file its name without the ending
     * @param  array<string, mixed>  $query what the file is asked for by
     * @return self<TRow>
     */
    public function savedAs(string $file, string $route, array $query = []): self
    {
        return $this->but(['file' => $file, 'csvRoute' => $route, 'csvQuery' => $query]);
    }

    /** @return self<TRow> */
    public function asOf(CarbonImmutable $day): self
    {
        return $this->but(['day' => $day]);
    }

    /** @return list<Column<TRow>> */
    public function onPage(): array
    {
        return array_values(array_filter($this->columns, static fn (Column $column): bool => $column->isOnPage));
    }

    public function hasTotals(): bool
    {
        return array_filter($this->columns, static fn (Column $column): bool => $column->total !== null) !== [];
    }

    /** How many columns stand before the first with a total. */
    public function before(): int
    {
        foreach ($this->onPage() as $place => $column) {
            if ($column->total !== null) {
                return $place;
            }
        }

        return count($this->onPage());
    }

    /** Where its file comes from, asked the same. */
    public function csvAddress(): string
    {
        return route(
            $this->csvRoute,
            $this->day === null || ShopTime::isToday($this->day)
                ? $this->csvQuery
                : [...$this->csvQuery, 'as_of' => $this->day->format('Y-m-d')],
        );
    }

    /**
     * A page with nothing but the report and its day.
     *
     * @param  string  $above a view that stands above it
     */
    public function page(string $above = ''): View
    {
        return view('design.report', ['report' => $this, 'above' => $above]);
    }

    public function csv(): StreamedResponse
    {
        return Csv::download("{$this->file}.csv", $this->heads(), $this->written());
    }

    /** The same file, as its bytes: for a mail. */
    public function text(): string
    {
        return Csv::text($this->heads(), $this->written());
    }

    /** @return list<Column<TRow>> */
    private function inFile(): array
    {
        return array_values(array_filter($this->columns, static fn (Column $column): bool => $column->csv !== ''));
    }

    /** @return list<string> */
    private function heads(): array
    {
        return array_map(static fn (Column $column): string => $column->csv, $this->inFile());
    }

    /** @return iterable<list<string>> */
    private function written(): iterable
    {
        $columns = $this->inFile();

        foreach ($this->rows as $row) {
            yield array_map(static fn (Column $column): string => $column->written($row), $columns);
        }
    }

    /**
     * @param  array<string, mixed>  $changed
     * @return self<TRow>
     */
    private function but(array $changed): self
    {
        return new self(...[...get_object_vars($this), ...$changed]);
    }
}
