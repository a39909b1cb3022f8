<?php

declare(strict_types=1);

namespace Elmstone\Counter\Look;

use Elmstone\Agreements\SetAsideFor;
use Elmstone\Books\DocumentKind;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Pricing\PriceBook;
use Elmstone\Core\Pricing\PriceQuote;
use Elmstone\Counter\Slip\Slip;
use Illuminate\Support\Facades\DB;

/** An item as a clerk needs to know it: what there is and where, who waits for it, what it costs this customer. */
final readonly class ItemLook
{
    private const SALES = 6;

    /**
     * @param  PriceBook  $book all that decides its price for the slip's customer
     * @param  list<object>  $waiting who has some of it set aside here: name, label, quantity
     * @param  list<object>  $sold the last sales of it to the slip's customer: label, business_date, quantity,
     *     unit_price, line_discount in minor units
     */
    private function __construct(
        public Item $item,
        public int $here,
        public PriceBook $book,
        public PriceQuote $quote,
        public array $waiting,
        public array $sold,
        public string $buyer,
    ) {
    }

    public static function at(Item $item, Slip $slip, int $here): self
    {
        $item->load(['stock.location', 'breaks', 'promotions', 'belongings']);
        $book = PriceBooks::of($item, $slip->priceTerms());

        return new self(
            $item,
            $here,
            $book,
            $book->quote(Quantity::of('1'), $slip->day()),
            SetAsideFor::of([$item->id], $here)[$item->id] ?? [],
            $slip->customer_id === null ? [] : self::sold($item->id, $slip->customer_id),
            $slip->customer_name,
        );
    }

    /** @return list<object> */
    private static function sold(int $item, int $customer): array
    {
        return array_values(
            DB::table('document_lines as l')
                ->join('documents as d', 'd.id', '=', 'l.document_id')
                ->where('d.customer_id', $customer)
                ->where('d.kind', DocumentKind::Invoice->value)
                ->where('l.item_id', $item)
                ->where('l.direction', 'out')
                ->orderByDesc('d.id')
                ->limit(self::SALES)
                ->get(['d.label', 'd.business_date', 'l.quantity', 'l.unit_price', 'l.line_discount'])
                ->all(),
        );
    }
}
