<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use InvalidArgumentException;

/** A price or cost in major units for one unit (or for a hundred or a thousand of them), up to 4 places. */
final readonly class UnitPrice
{
    private function __construct(public BigDecimal $value)
    {
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
        return Money::round($this->forMany($quantity, $per), $currency);
    }

    public function isLessThan(self $that): bool
    {
        return $this->value->isLessThan($that->value);
    }

    public function equals(self $that): bool
    {
        return $this->value->isEqualTo($that->value);
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
