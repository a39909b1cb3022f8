<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigDecimal;

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
