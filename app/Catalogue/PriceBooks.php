<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceBook;

/** Turns an item's rows into the price book the core reads. */
final class PriceBooks
{
    public static function of(Item $item, ?PriceTerms $for = null): PriceBook
    {
        $item->loadMissing(['breaks', 'promotions']);

        return new PriceBook(
            $item->list_price,
            $for?->contracts($item->id) ?? [],
            self::level($item, $for),
            array_values($item->breaks->map(static fn (QuantityBreakRecord $break) => $break->toValue())->all()),
            array_values(
                $item->promotions->map(static fn (PromotionRecord $promotion) => $promotion->toValue())->all(),
            ),
            $for?->standing,
            $item->net_price || ! $item->may_discount,
            $item->marked_price,
        );
    }

    /**
     * The level's own price for the item, else its percentage off the list price, to as many places as that has, two at
     * least.
     */
    private static function level(Item $item, ?PriceTerms $for): ?UnitPrice
    {
        if ($for === null || ! $for->hasLevel()) {
            return null;
        }

        $list = $item->list_price->value->stripTrailingZeros();

        return $for->levelPrice($item->id)
            ?? UnitPrice::of(
                (string) $list
                    ->multipliedBy(BigDecimal::of(100)->minus($for->levelPercent->value))
                    ->dividedBy(100, max(2, $list->getScale()), RoundingMode::HALF_UP),
            );
    }
}
