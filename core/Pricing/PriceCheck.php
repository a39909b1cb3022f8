<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/** Whether what a line is sold at falls below the lowest price the house accepts, or below cost. */
enum PriceCheck: string
{
    case Fine = 'fine';
    case BelowFloor = 'below_floor';
    case BelowCost = 'below_cost';

    /**
     * Compares the line's worth after its own discount with the same quantity at floor price and at cost.
     *
     * @param  int  $pricePer how many units floor and cost are of
     * @param  Money  $afterDiscount gross less line discount
     * @param  BigRational|null  $taxFactor what a tax-inclusive price is divided by to compare it with cost; null:
     *     nothing
     */
    public static function of(
        Quantity $quantity,
        int $pricePer,
        Money $afterDiscount,
        ?UnitPrice $floor,
        ?UnitPrice $cost,
        ?BigRational $taxFactor = null,
    ): self {
        [$belowFloor, $belowCost] = self::gaps($quantity, $pricePer, $afterDiscount, $floor, $cost, $taxFactor);

        return match (true) {
            $belowCost->isPositive() => self::BelowCost,
            $belowFloor->isPositive() => self::BelowFloor,
            default => self::Fine,
        };
    }

    /** By how much the line falls below the floor or below cost, whichever is more; not above zero: it does not. */
    public static function gap(
        Quantity $quantity,
        int $pricePer,
        Money $afterDiscount,
        ?UnitPrice $floor,
        ?UnitPrice $cost,
        ?BigRational $taxFactor = null,
    ): Money {
        [$belowFloor, $belowCost] = self::gaps($quantity, $pricePer, $afterDiscount, $floor, $cost, $taxFactor);

        return $belowCost->exceeds($belowFloor) ? $belowCost : $belowFloor;
    }

    /** @return array{Money, Money} below the floor, below cost; nothing where there is none */
    private static function gaps(
        Quantity $quantity,
        int $pricePer,
        Money $afterDiscount,
        ?UnitPrice $floor,
        ?UnitPrice $cost,
        ?BigRational $taxFactor,
    ): array {
        $below = static fn (?UnitPrice $price, Money $worth): Money => $price === null
            ? Money::zero($worth->currency)
            : $price->worth($quantity, $pricePer, $worth->currency)->minus($worth);
        $withoutTax = $taxFactor === null
                ? $afterDiscount
                : Money::round(
                    BigRational::of($afterDiscount->major())->dividedBy($taxFactor),
                    $afterDiscount->currency,
                );

        return [$below($floor, $afterDiscount), $below($cost, $withoutTax)];
    }
}
