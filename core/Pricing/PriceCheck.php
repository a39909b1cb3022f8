<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Brick\Math\BigRational;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\SlipLine;

/** Whether what a line is sold at falls below the lowest price the house accepts, or below cost. */
enum PriceCheck: string
{
    case Fine = 'fine';
    case BelowFloor = 'below_floor';
    case BelowCost = 'below_cost';

    /**
     * Compares the line's worth after its own discount with the same quantity at floor price and at cost.
     *
     * @param  Money  $afterDiscount gross less line discount
     * @param  BigRational|null  $taxFactor what a tax-inclusive price is divided by to compare it with cost; null: nothing
     */
    public static function of(SlipLine $line, Money $afterDiscount, ?UnitPrice $floor, ?UnitPrice $cost, ?BigRational $taxFactor = null): self
    {
        $worth = static fn (UnitPrice $price): Money => Money::round(
            BigRational::of($price->value->multipliedBy($line->quantity->value))->dividedBy($line->pricePer),
            $afterDiscount->currency,
        );
        $withoutTax = $taxFactor === null ? $afterDiscount : Money::round(BigRational::of($afterDiscount->major())->dividedBy($taxFactor), $afterDiscount->currency);

        return match (true) {
            $cost !== null && $worth($cost)->exceeds($withoutTax) => self::BelowCost,
            $floor !== null && $worth($floor)->exceeds($afterDiscount) => self::BelowFloor,
            default => self::Fine,
        };
    }
}
