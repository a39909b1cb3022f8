<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use InvalidArgumentException;

/** A price or cost in major units for one unit (or for a hundred or a thousand of them), up to 4 places. */
final readonly class UnitPrice
{
    /** Ten-thousandths of ten-thousandths, in which a price times a quantity comes out whole. */
    private const FINEST = 8;

    /** In ten-thousandths; null where they are too many. */
    private ?int $parts;

    private function __construct(public BigDecimal $value)
    {
        $this->parts = FourPlaces::tenThousandths($value);
    }

    /** @throws Refused bad_price */
    public static function of(string $price): self
    {
        return new self(FourPlaces::read($price, 'bad_price', 'a price'));
    }

    /**
     * What one costs where so many come to a total.
     *
     * @param  int  $per how many units the price is of: 1, 100 or 1000
     * @return self rounded half up to 4 places
     */
    public static function ofTotal(Money $total, Quantity $quantity, int $per): self
    {
        return new self(
            $total
                ->major()
                ->multipliedBy($per)
                ->dividedBy($quantity->value, 4, RoundingMode::HALF_UP)
                ->stripTrailingZeros(),
        );
    }

    /**
     * What so many come to, in major units, exactly.
     *
     * @param  int  $per how many units the price is of: 1, 100 or 1000
     */
    public function forMany(Quantity $quantity, int $per): BigDecimal
    {
        return $quantity->value->multipliedBy($this->value)->withPointMovedLeft(match ($per) {
            1 => 0,
            100 => 2,
            1000 => 3,
            default => throw new InvalidArgumentException('A price is of 1, 100 or 1000 units.'),
        });
    }

    /** The same, rounded half up to the currency's places. */
    public function worth(Quantity $quantity, int $per, Currency $currency): Money
    {
        return $this->worthPlainly($quantity, $per, $currency)
            ?? Money::round($this->forMany($quantity, $per), $currency);
    }

    /** The same in PHP's own whole numbers, which is much faster; null where one of them is too large for that. */
    private function worthPlainly(Quantity $quantity, int $per, Currency $currency): ?Money
    {
        if ($this->parts === null || $quantity->parts === null || $currency->places >= self::FINEST) {
            return null;
        }

        // Both are even: half of it is what rounds up.
        $unit = 10 ** (self::FINEST - $currency->places) * $per;

        return $this->parts > intdiv(PHP_INT_MAX - $unit, $quantity->parts)
            ? null
            : Money::ofMinor(intdiv($this->parts * $quantity->parts + intdiv($unit, 2), $unit), $currency);
    }

    public function isLessThan(self $that): bool
    {
        return $this->parts === null || $that->parts === null
            ? $this->value->isLessThan($that->value)
            : $this->parts < $that->parts;
    }

    public function equals(self $that): bool
    {
        return $this->parts === null || $that->parts === null
            ? $this->value->isEqualTo($that->value)
            : $this->parts === $that->parts;
    }

    public function toString(): string
    {
        return (string) $this->value;
    }

    /** At least the currency's places: "3.80" and "0.0425", never "3.8". */
    public function shown(Currency $currency): string
    {
        return (string) ($this->value->getScale() < $currency->places
            ? $this->value->toScale($currency->places)
            : $this->value);
    }
}
