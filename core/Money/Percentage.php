<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigDecimal;

/** A rate in percent, not below zero, up to 4 places. */
final readonly class Percentage
{
    private function __construct(public BigDecimal $value)
    {
    }

    /** @throws Refused bad_percent */
    public static function of(string $percent): self
    {
        return new self(FourPlaces::read($percent, 'bad_percent', 'a percentage'));
    }

    /** A share of something: nothing above 100. @throws Refused bad_percent */
    public static function ofWhole(string $percent): self
    {
        $share = self::of($percent);

        return $share->value->isGreaterThan(100)
            ? throw Refused::because('bad_percent', 'A discount cannot be more than 100 %.')
            : $share;
    }

    public function toString(): string
    {
        return (string) $this->value;
    }
}
