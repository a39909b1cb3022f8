<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Catalogue\UnitPriceSaid;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Pricing\PriceQuote;
use Elmstone\Shop\House;

/** What stands on a label: the price is what somebody passing by pays for one on the day it is for. */
final readonly class Label
{
    /**
     * @param  string  $was the list price, where the price is lower; else empty
     * @param  string  $perUnit "2.50 / kg", "per 100"; else empty
     * @param  string  $barcode of the item, else empty: its code is drawn instead
     */
    private function __construct(
        public string $code,
        public string $description,
        public string $price,
        public string $was,
        public string $perUnit,
        public string $unit,
        public string $barcode,
        public string $shelf,
    ) {
    }

    public static function of(Item $item, CarbonImmutable $day, House $house): self
    {
        $currency = $house->currency();
        $quote = self::quote($item, $day);

        return new self(
            $item->code,
            $item->description,
            $quote->price->shown($currency),
            $quote->price->isLessThan($quote->list) ? $quote->list->shown($currency) : '',
            UnitPriceSaid::of($item, $quote->price, $house),
            $item->unit->value,
            $item->barcode ?? '',
            $item->shelf,
        );
    }

    private static function quote(Item $item, CarbonImmutable $day): PriceQuote
    {
        return PriceBooks::of($item)->quote(Quantity::of('1'), $day);
    }
}
