<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Shop\House;

/** What a kilogram, a litre, a metre of something costs, where its package says how much is in it. */
final class UnitPriceSaid
{
    /** @return string "2.50 / kg"; empty where nothing is known of what is in it */
    public static function of(Item $item, UnitPrice $price, House $house): string
    {
        if ($item->content === null || $item->content_unit === '') {
            return $item->price_per > 1 ? "per {$item->price_per}" : '';
        }

        $one = $price->forMany(Quantity::of('1'), $item->price_per)
            ->dividedBy(BigDecimal::of($item->content), $house->currency()->places, RoundingMode::HALF_UP);

        return "{$one} / {$item->content_unit}";
    }
}
