<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigDecimal;

/** How much of an item, in its unit: above zero, up to 4 places. Direction says which way it goes, never a sign. */
final readonly class Quantity
{
    /** In ten-thousandths. */
    public ?int $parts;

    private function __construct(public BigDecimal $value)
    {
        $this->parts = FourPlaces::tenThousandths($value);
    }

    /** @throws Refused bad_quantity */
    public static function of(string $quantity): self
    {
        $value = FourPlaces::read($quantity, 'bad_quantity', 'a quantity');

        return $value->isZero()
            ? throw Refused::because('bad_quantity', 'A quantity must be more than zero.')
            : new self($value);
    }

    public function plus(self $that): self
    {
        return self::of((string) $this->value->plus($that->value));
    }

    /** Whether it is a number of whole ones. */
    public function isWhole(): bool
    {
        return $this->value->stripTrailingZeros()->getScale() === 0;
    }

    public function toString(): string
    {
        return (string) $this->value;
    }
}
