<?php

declare(strict_types=1);

namespace Elmstone\Support\Report;

use Closure;
use DateTimeInterface;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Show;

/**
 * A column of a report: its head on the page and in the file, and what stands in it for a row. What is a value there is
 * written as everywhere: money, days, numbers, texts.
 *
 * @template TRow
 */
final readonly class Column
{
    /**
     * @param  string  $head on the page; empty: none
     * @param  string  $csv in the file; empty: it is not in the file
     * @param  Closure(TRow): (Money|DateTimeInterface|string|int|null)  $cell
     * @param  string  $kind of its cells, as a class of the page's: figure, code, small, nowrap
     * @param  (Closure(TRow): (string|null))|null  $link where a cell leads
     * @param  (Closure(TRow): string)|null  $tone brick, ochre, soft, fw-bold
     * @param  (Closure(TRow): string)|null  $inFile what stands in the file, where that is another
     */
    private function __construct(
        public string $head,
        public string $csv,
        private Closure $cell,
        public string $kind,
        private ?Closure $link = null,
        private ?Closure $tone = null,
        public Money|string|null $total = null,
        public string $headLink = '',
        private bool $isBlankAtZero = false,
        public bool $isOnPage = true,
        private ?Closure $inFile = null,
    ) {
    }

    /**
     * @template T
     *
     * @param  Closure(T): (string|int|null)  $cell
     * @return self<T>
     */
    public static function text(string $head, string $csv, Closure $cell): self
    {
        return new self($head, $csv, $cell, '');
    }

    /**
     * A number of ours that leads to its page.
     *
     * @template T
     *
     * @param  Closure(T): (string|int)  $cell
     * @param  Closure(T): (string|null)  $link
     * @return self<T>
     */
    public static function code(string $head, string $csv, Closure $cell, Closure $link): self
    {
        return new self($head, $csv, $cell, 'code', $link);
    }

    /**
     * @template T
     *
     * @param  Closure(T): (Money|null)  $cell
     * @return self<T>
     */
    public static function money(string $head, string $csv, Closure $cell): self
    {
        return new self($head, $csv, $cell, 'figure');
    }

    /**
     * A figure that is no money, or is written otherwise on the page than in the file.
     *
     * @template T
     *
     * @param  Closure(T): string  $shown
     * @param  Closure(T): string  $written
     * @return self<T>
     */
    public static function figure(string $head, string $csv, Closure $shown, Closure $written): self
    {
        return new self($head, $csv, $shown, 'figure', inFile: $written);
    }

    /**
     * @template T
     *
     * @param  Closure(T): (DateTimeInterface|null)  $cell
     * @return self<T>
     */
    public static function day(string $head, string $csv, Closure $cell): self
    {
        return new self($head, $csv, $cell, 'nowrap');
    }

    /**
     * What only the file has.
     *
     * @template T
     *
     * @param  Closure(T): (Money|DateTimeInterface|string|int|null)  $cell
     * @return self<T>
     */
    public static function inFile(string $csv, Closure $cell): self
    {
        return new self('', $csv, $cell, '', isOnPage: false);
    }

    /**
     * @param  Closure(TRow): (string|null)  $link
     * @return self<TRow>
     */
    public function leading(Closure $link): self
    {
        return $this->but(['link' => $link]);
    }

    /**
     * @param  Closure(TRow): string  $tone
     * @return self<TRow>
     */
    public function toned(Closure $tone): self
    {
        return $this->but(['tone' => $tone]);
    }

    /** @return self<TRow> its total in words, as it is written */
    public function totalled(string $total): self
    {
        return $this->but(['total' => $total]);
    }

    /** @return self<TRow> */
    public function totalling(Money $total): self
    {
        return $this->but(['total' => $total]);
    }

    /**
     * Whose head leads somewhere, as to the same report in its order.
     *
     * @return self<TRow>
     */
    public function headLeading(string $address): self
    {
        return $this->but(['headLink' => $address]);
    }

    /** @return self<TRow> nothing is written on the page where there is none */
    public function blankAtZero(): self
    {
        return $this->but(['isBlankAtZero' => true]);
    }

    /** @return self<TRow> */
    public function nowrap(): self
    {
        return $this->but(['kind' => 'nowrap']);
    }

    /** @return self<TRow> */
    public function small(): self
    {
        return $this->but(['kind' => 'small']);
    }

    /** @param  TRow  $row */
    public function shown(mixed $row): string
    {
        $value = ($this->cell)($row);

        return match (true) {
            $value instanceof Money => $this->isBlankAtZero && $value->isZero() ? '' : Show::money($value),
            $value instanceof DateTimeInterface => Show::date($value),
            default => (string) $value,
        };
    }

    /** @param  TRow  $row */
    public function written(mixed $row): string
    {
        $value = ($this->inFile ?? $this->cell)($row);

        return match (true) {
            $value instanceof Money => $value->toString(),
            $value instanceof DateTimeInterface => $value->format('Y-m-d'),
            default => (string) $value,
        };
    }

    /** @param  TRow  $row */
    public function link(mixed $row): string
    {
        return (string) ($this->link === null ? '' : ($this->link)($row));
    }

    /** @param  TRow  $row */
    public function tone(mixed $row): string
    {
        return $this->tone === null ? '' : ($this->tone)($row);
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
