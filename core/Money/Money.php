<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigNumber;
use Brick\Math\BigRational;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;

/**
 * An amount of money: a whole number of the currency's minor unit (ISO 4217).
 *
 * Every operation is exact or says `too_large`; a figure never turns into a float on the way.
 */
final readonly class Money
{
    private function __construct(public int $minor, public Currency $currency)
    {
    }

    /** @param  int  $minor amount in minor units, such as cents */
    public static function ofMinor(int $minor, Currency $currency): self
    {
        return new self($minor, $currency);
    }

    public static function zero(Currency $currency): self
    {
        return new self(0, $currency);
    }

    /**
     * Reads major units, such as "12.30"; more places than the currency has are refused, not rounded.
     *
     * @throws Refused bad_amount, too_large
     */
    public static function of(string $major, Currency $currency): self
    {
        if (preg_match('/^-?\d+(\.\d+)?$/D', $major) !== 1) {
            throw Refused::because('bad_amount', "“{$major}” is not an amount of money.");
        }

        $minor = BigDecimal::of($major)->withPointMovedRight($currency->places)->stripTrailingZeros();

        if ($minor->getScale() > 0) {
            throw Refused::because(
                'bad_amount',
                "{$currency->code} has {$currency->places} decimal places; “{$major}” has more.",
            );
        }

        return self::fromBig($minor->toBigInteger(), $currency);
    }

    /**
     * Rounds an exact figure in major units to the minor unit, half away from zero: the only rounding there is.
     *
     * @throws Refused too_large
     */
    public static function round(BigNumber $major, Currency $currency): self
    {
        $rounded = $major instanceof BigRational
                ? $major->toScale($currency->places, RoundingMode::HALF_UP)
                : $major->toBigDecimal()->toScale($currency->places, RoundingMode::HALF_UP);

        return self::fromBig($rounded->getUnscaledValue(), $currency);
    }

    /** @param  iterable<self>  $amounts */
    public static function sum(iterable $amounts, Currency $currency): self
    {
        $zero = self::zero($currency);
        $sum = 0;

        foreach ($amounts as $amount) {
            $sum = self::added($sum, $zero->same($amount)->minor);
        }

        return new self($sum, $currency);
    }

    public function plus(self $that): self
    {
        return $this->moved($this->same($that)->minor);
    }

    public function minus(self $that): self
    {
        return $this->same($that)->minor === PHP_INT_MIN ? throw self::tooLarge() : $this->moved(-$that->minor);
    }

    /**
     * So many of it.
     *
     * @throws Refused too_large
     */
    public function times(int $many): self
    {
        return self::fromBig(BigInteger::of($this->minor)->multipliedBy($many), $this->currency);
    }

    public function negated(): self
    {
        return self::zero($this->currency)->minus($this);
    }

    public function abs(): self
    {
        return $this->minor < 0 ? $this->negated() : $this;
    }

    /** `round(this × percent ÷ 100)` */
    public function percent(Percentage $percent): self
    {
        return self::round($this->major()->multipliedBy($percent->value)->withPointMovedLeft(2), $this->currency);
    }

    /**
     * Divides this amount into shares in proportion to the weights, so that the shares sum to it exactly.
     *
     * Each share is floor(amount × weight ÷ Σ weights); the minor units left over go one each to the
     * largest remainders, ties to the earlier one. A negative amount is shared out by its absolute value;
     * where all weights are zero the first share takes everything. (Hamilton's method of largest remainders.)
     *
     * @param  non-empty-list<BigNumber>  $weights none below zero
     * @return non-empty-list<self>
     */
    public function apportion(array $weights): array
    {
        return array_map(
            fn (int $minor): self => new self($this->minor < 0 ? -$minor : $minor, $this->currency),
            Apportionment::of($this->abs()->minor, $weights),
        );
    }

    /**
     * The same in proportion to amounts of money.
     *
     * @param  non-empty-list<self>  $weights none below zero
     * @return non-empty-list<self>
     */
    public function apportionBy(array $weights): array
    {
        return array_map(
            fn (int $minor): self => new self($this->minor < 0 ? -$minor : $minor, $this->currency),
            Apportionment::by(
                $this->abs()->minor,
                array_map(fn (self $weight): int => $this->same($weight)->minor, $weights),
            ),
        );
    }

    public function isZero(): bool
    {
        return $this->minor === 0;
    }

    public function isNegative(): bool
    {
        return $this->minor < 0;
    }

    public function isPositive(): bool
    {
        return $this->minor > 0;
    }

    public function exceeds(self $that): bool
    {
        return $this->minor > $this->same($that)->minor;
    }

    public function equals(self $that): bool
    {
        return $this->minor === $this->same($that)->minor;
    }

    /** Below zero where this is less, zero where they are the same, above where it is more. */
    public function compare(self $that): int
    {
        return $this->minor <=> $this->same($that)->minor;
    }

    public static function min(self $one, self $other): self
    {
        return $one->exceeds($other) ? $other : $one;
    }

    public static function max(self $one, self $other): self
    {
        return $one->exceeds($other) ? $one : $other;
    }

    /** This, or nothing where it is below zero. */
    public function orNothing(): self
    {
        return $this->isNegative() ? self::zero($this->currency) : $this;
    }

    /** The exact figure in major units. */
    public function major(): BigDecimal
    {
        return BigDecimal::ofUnscaledValue($this->minor, $this->currency->places);
    }

    /** Major units with the currency's places: "12.30". */
    public function toString(): string
    {
        $places = $this->currency->places;
        $digits = str_pad(ltrim((string) $this->minor, '-'), $places + 1, '0', STR_PAD_LEFT);

        return ($this->minor < 0 ? '-' : '')
            .($places === 0 ? $digits : substr($digits, 0, -$places).'.'.substr($digits, -$places));
    }

    private function moved(int $by): self
    {
        return new self(self::added($this->minor, $by), $this->currency);
    }

    /** Adds whole numbers only where the sum is one too: beyond that PHP would go on with floats. */
    private static function added(int $one, int $other): int
    {
        return ($other > 0 ? $one > PHP_INT_MAX - $other : $one < PHP_INT_MIN - $other)
            ? throw self::tooLarge()
            : $one + $other;
    }

    private static function fromBig(BigInteger $minor, Currency $currency): self
    {
        try {
            return new self($minor->toInt(), $currency);
        } catch (MathException) {
            throw self::tooLarge();
        }
    }

    private static function tooLarge(): Refused
    {
        return Refused::because('too_large', 'That comes to more money than can be written down here.');
    }

    private function same(self $that): self
    {
        return $that->currency->code === $this->currency->code
            ? $that
            : throw Refused::because(
                'mixed_currencies',
                "{$this->currency->code} and {$that->currency->code} cannot be reckoned together.",
            );
    }
}
