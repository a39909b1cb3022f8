<?php

declare(strict_types=1);

namespace Elmstone\Core\Till;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** Cash as it was counted: so many of each note and coin. docs/rules.md, "Till sessions". */
final readonly class CashCount
{
    /** More pieces of one kind than any drawer holds: somebody typed an amount where a number belongs. */
    public const MOST = 100_000;

    /** @param  list<CountedUnit>  $units largest first, none of them counted as none */
    private function __construct(public array $units, public Money $total)
    {
    }

    /**
     * @param  list<CountedUnit>  $units in any order
     *
     * @throws Refused bad_denomination, counted_twice
     */
    public static function of(Currency $currency, array $units): self
    {
        $byUnit = [];

        foreach ($units as $counted) {
            Denominations::of($currency)?->assertHas($counted->unit);
            isset($byUnit[$counted->unit->minor]) && throw Refused::because(
                'counted_twice',
                "{$counted->unit->toString()} is counted twice.",
            );
            $byUnit[$counted->unit->minor] = $counted;
        }

        krsort($byUnit);

        return new self(
            array_values(array_filter($byUnit, static fn (CountedUnit $counted): bool => $counted->count > 0)),
            Money::sum(array_map(static fn (CountedUnit $counted): Money => $counted->worth(), $byUnit), $currency),
        );
    }

    /** How many of a note or coin. */
    public function count(Money $unit): int
    {
        foreach ($this->units as $counted) {
            if ($counted->unit->equals($unit)) {
                return $counted->count;
            }
        }

        return 0;
    }
}
