<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceBook;

/** Turns an item's rows into the price book the core reads. */
final class PriceBooks
{
    public static function of(Item $item): PriceBook
    {
        $item->loadMissing(['breaks', 'promotions']);

        return new PriceBook(
            UnitPrice::of($item->list_price),
            breaks: array_values($item->breaks->map(static fn (QuantityBreakRecord $break) => $break->toValue())->all()),
            promotions: array_values($item->promotions->map(static fn (PromotionRecord $promotion) => $promotion->toValue())->all()),
            netPrice: $item->net_price,
        );
    }
}
