<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Pricing\PriceQuote;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Slip\Slip;

/** What a line's price becomes when its quantity changes: a quantity break may be reached or left. */
final class LinePricing
{
    /** @return array<string, mixed> columns of the line */
    public static function forQuantity(LineOnSlip $line, ?Item $item, Quantity $quantity, Slip $slip): array
    {
        $item?->assertSoldIn($quantity);

        return $item === null || $line->price_rule->isHeld() || $line->listPriceMoved()
            ? ['quantity' => $quantity->toString()]
            : self::afresh($item, $quantity, $slip, $line->standing_discount || $line->takesNoDiscountYet());
    }

    /**
     * What the price list says now, for the slip's customer.
     *
     * @param  bool  $discountToo whether their standing discount comes off, or whatever stands there stays
     * @return array<string, mixed> columns of the line
     */
    public static function afresh(Item $item, Quantity $quantity, Slip $slip, bool $discountToo = true): array
    {
        $quote = PriceBooks::of($item, $slip->priceTerms())->quote($quantity, $slip->day());

        return [
            'quantity' => $quantity->toString(),
            'unit_price' => $quote->price->toString(),
            'price_rule' => $quote->rule,
            'price_source' => self::source($quote),
            'list_price' => $quote->list->toString(),
            ...$discountToo
                ? [
                    'discount_percent' => $quote->discount?->toString(),
                    'discount_amount' => null,
                    'standing_discount' => $quote->discount !== null,
                ]
                : [],
        ];
    }

    /** The name of what set the price, and until when it holds. */
    private static function source(PriceQuote $quote): string
    {
        $until = $quote->rule === PriceRule::Contract && $quote->source?->until !== null
                ? 'until '.$quote->source->until->format('j M Y')
                : '';

        return trim("{$quote->source?->name} {$until}");
    }
}
