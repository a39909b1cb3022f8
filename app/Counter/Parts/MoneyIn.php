<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;

/** All that a slip can take money in for besides what is sold, in the order in which it is reckoned and entered. */
final readonly class MoneyIn
{
    /** @var list<TakesMoney> */
    public array $parts;

    /** @param  iterable<TakesMoney>  $parts */
    public function __construct(private House $house, iterable $parts)
    {
        $this->parts = array_values([...$parts]);
    }

    public function total(Slip $slip): Money
    {
        return Money::sum(
            array_map(static fn (TakesMoney $part): Money => $part->due($slip), $this->parts),
            $this->house->currency(),
        );
    }

    /** @return array<string, Money> what each adds to the sum due, by its words; only those on the slip */
    public function due(Slip $slip): array
    {
        $due = [];

        foreach ($this->parts as $part) {
            $due[$part->words()] = $part->due($slip);
        }

        return array_filter($due, static fn (Money $amount): bool => ! $amount->isZero());
    }

    /** The only one on the slip; null: there is none, or more than one. */
    public function alone(Slip $slip): ?TakesMoney
    {
        $on = array_values(
            array_filter($this->parts, static fn (TakesMoney $part): bool => ! $part->due($slip)->isZero()),
        );

        return count($on) === 1 ? $on[0] : null;
    }

    /** @return list<Refused> */
    public function hindrances(ReckonedCounter $reckoned): array
    {
        return array_merge(
            ...array_map(static fn (TakesMoney $part): array => $part->hindrances($reckoned), $this->parts),
        );
    }
}
