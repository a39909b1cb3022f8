<?php

declare(strict_types=1);

namespace Elmstone\Core\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * What bringing goods costs: a flat charge, or one by weight in steps of upper bounds; nothing from a value of the
 * goods on. docs/rules.md, "Orders".
 */
final readonly class Freight
{
    /** @param  list<FreightStep>  $steps in the order of their bounds; empty: none is charged */
    private function __construct(public array $steps, public ?Money $freeFrom)
    {
    }

    public static function flat(Money $charge, ?Money $freeFrom = null): self
    {
        return new self([new FreightStep(null, $charge)], $freeFrom);
    }

    /**
     * @param  list<FreightStep>  $steps in any order
     *
     * @throws Refused freight_hole where two say the same bound, a bound is nothing, or a charge is below zero
     */
    public static function byWeight(array $steps, ?Money $freeFrom = null): self
    {
        usort($steps, FreightStep::compare(...));
        $last = null;

        foreach ($steps as $i => $step) {
            match (true) {
                $step->charge->isNegative() => throw Refused::because(
                    'freight_hole',
                    'A charge for freight cannot be below zero.',
                ),
                $step->upTo !== null && ! $step->upTo->isPositive() => throw Refused::because(
                    'freight_hole',
                    'A weight that freight is charged up to is more than nothing.',
                ),
                $i > 0 && FreightStep::compare($step, $last) === 0 => throw Refused::because(
                    'freight_hole',
                    'Two steps of the freight table end at the same weight.',
                ),
                default => null,
            };
            $last = $step;
        }

        return new self($steps, $freeFrom);
    }

    /**
     * @param  BigDecimal  $weight of the goods, in the shop's unit of weight
     * @param  Money  $value of the goods, after discounts, without tax unless prices are with it
     *
     * @throws Refused freight_hole where the table says nothing of so much weight
     */
    public function of(BigDecimal $weight, Money $value): Money
    {
        if ($this->freeFrom !== null && ! $this->freeFrom->exceeds($value)) {
            return Money::zero($value->currency);
        }

        foreach ($this->steps as $step) {
            if ($step->upTo === null || $weight->isLessThanOrEqualTo($step->upTo)) {
                return $step->charge;
            }
        }

        throw Refused::because(
            'freight_hole',
            "The freight table says nothing of {$weight->stripTrailingZeros()}. Type what it costs.",
        );
    }
}
