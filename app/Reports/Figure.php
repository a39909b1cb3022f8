<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Closure;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Show;

/** A figure that a report has for each of its rows: what it is called, how it is written, what all come to. */
final readonly class Figure
{
    /**
     * @param  (Closure(array<string, mixed>): (string|null))|null  $ratio of a row's figures, or of what they sum to
     * @param  bool  $isInTotal whether the rows' figures can be summed
     * @param  bool  $isCost only for who may see cost and margin
     */
    private function __construct(
        public string $name,
        public string $head,
        public FigureKind $kind,
        private ?Closure $ratio = null,
        public bool $isInTotal = true,
        public bool $isCost = false,
    ) {
    }

    public static function money(string $name, string $head): self
    {
        return new self($name, $head, FigureKind::Money);
    }

    public static function count(string $name, string $head): self
    {
        return new self($name, $head, FigureKind::Count);
    }

    public static function quantity(string $name, string $head): self
    {
        return new self($name, $head, FigureKind::Quantity);
    }

    /** A text, or a number that is not summed. */
    public static function text(string $name, string $head): self
    {
        return new self($name, $head, FigureKind::Text, isInTotal: false);
    }

    /** @param  Closure(array<string, mixed>): (string|null)  $of */
    public static function ratio(string $name, string $head, Closure $of): self
    {
        return new self($name, $head, FigureKind::Ratio, $of, false);
    }

    /** Margin ÷ net in percent, one place. */
    public static function marginPercent(): self
    {
        return self::ratio('margin_percent', 'Margin %', static fn (array $of): ?string => self::percent(
            self::int($of['margin'] ?? 0), self::int($of['net'] ?? 0),
        ))->cost();
    }

    /** Only for who may see cost and margin. */
    public function cost(): self
    {
        return new self($this->name, $this->head, $this->kind, $this->ratio, $this->isInTotal, true);
    }

    /** As of a day: rows are not summed. */
    public function unsummed(): self
    {
        return new self($this->name, $this->head, $this->kind, $this->ratio, false, $this->isCost);
    }

    public static function percent(int $part, int $whole): ?string
    {
        return $whole === 0
            ? null
            : (string) BigDecimal::of($part)->multipliedBy(100)
                ->dividedBy($whole, 1, RoundingMode::HALF_UP);
    }

    /**
     * What stands there.
     *
     * @param  array<string, mixed>  $figures
     */
    public function of(array $figures): mixed
    {
        return $this->ratio === null ? $figures[$this->name] ?? null : ($this->ratio)($figures);
    }

    /** @param  array<string, mixed>  $figures */
    public function shown(array $figures, Currency $currency): string
    {
        $value = $this->of($figures);

        return match (true) {
            $value === null, $value === '' => '',
            $this->kind === FigureKind::Money => self::int($value) === 0
                ? '' : Show::money(Money::ofMinor(self::int($value), $currency)),
            $this->kind === FigureKind::Count => self::int($value) === 0 ? '' : number_format(self::int($value)),
            $this->kind === FigureKind::Quantity => Show::decimal(self::plain($value)),
            default => self::plain($value),
        };
    }

    /** @param  array<string, mixed>  $figures */
    public function written(array $figures, Currency $currency): string
    {
        $value = $this->of($figures);

        return match (true) {
            $value === null => '',
            $this->kind === FigureKind::Money => Money::ofMinor(self::int($value), $currency)->toString(),
            $this->kind === FigureKind::Quantity => Show::decimal(self::plain($value)),
            default => self::plain($value),
        };
    }

    private static function int(mixed $value): int
    {
        return is_numeric($value) ? (int) $value : 0;
    }

    private static function plain(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
