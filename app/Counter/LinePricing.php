<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Pricing\PriceRule;

/** What a line's price becomes when its quantity changes: a quantity break may be reached or left. */
final class LinePricing
{
    /** @return array<string, mixed> columns of the line */
    public static function forQuantity(LineOnSlip $line, ?Item $item, Quantity $quantity, CarbonImmutable $day): array
    {
        return $item === null || $line->price_rule === PriceRule::Typed || $line->listPriceMoved()
            ? ['quantity' => $quantity->toString()]
            : self::afresh($item, $quantity, $day);
    }

    /**
     * What the price list says now.
     *
     * @return array<string, mixed> columns of the line
     */
    public static function afresh(Item $item, Quantity $quantity, CarbonImmutable $day): array
    {
        $quote = PriceBooks::of($item)->quote($quantity, $day);

        return [
            'quantity' => $quantity->toString(),
            'unit_price' => $quote->price->toString(),
            'price_rule' => $quote->rule,
            'price_source' => $quote->source->name ?? '',
            'list_price' => $quote->list->toString(),
        ];
    }
}
