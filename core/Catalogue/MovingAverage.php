<?php

declare(strict_types=1);

namespace Elmstone\Core\Catalogue;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\UnitPrice;

/**
 * The cost of a unit when more comes in: (on hand × cost + amount) ÷ (on hand + quantity), to 4 places, half up. Common
 * practice, no source.
 */
final class MovingAverage
{
    /**
     * @param  BigDecimal  $onHand before; none or fewer count as none
     * @param  UnitPrice  $cost before, per unit of the item's price
     * @param  BigDecimal  $in what comes in, above zero
     * @param  BigDecimal  $amount what it cost in all, in major units, times the units the price is for
     */
    public static function of(BigDecimal $onHand, UnitPrice $cost, BigDecimal $in, BigDecimal $amount): UnitPrice
    {
        $had = $onHand->isNegative() ? BigDecimal::zero() : $onHand;
        $value = BigRational::of($had->multipliedBy($cost->value))->plus($amount);

        return UnitPrice::of((string) $value->dividedBy($had->plus($in))->toScale(4, RoundingMode::HALF_UP));
    }
}
