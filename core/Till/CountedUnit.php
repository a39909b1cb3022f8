<?php

declare(strict_types=1);

namespace Elmstone\Core\Till;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** So many of one note or coin. */
final readonly class CountedUnit
{
    private function __construct(public Money $unit, public int $count)
    {
    }

    /** @throws Refused bad_denomination, bad_count */
    public static function of(Money $unit, int $count): self
    {
        return match (true) {
            ! $unit->isPositive() => throw Refused::because(
                'bad_denomination',
                "There is no note or coin of {$unit->toString()}.",
            ),
            $count < 0 => throw Refused::because('bad_count', 'There cannot be less than none of a note or coin.'),
            $count > CashCount::MOST => throw Refused::because(
                'bad_count',
                'That is more than any drawer holds. Type how many there are, not what they are worth.',
            ),
            default => new self($unit, $count),
        };
    }

    public function worth(): Money
    {
        return $this->unit->times($this->count);
    }
}
