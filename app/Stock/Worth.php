<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;
use Illuminate\Support\Facades\DB;

/** What there is of an item, everywhere, and what it is worth: by the books, and by its cost. */
final readonly class Worth
{
    /** @param  Money  $byBooks what the inventory account holds for it */
    public function __construct(
        public BigDecimal $onHand,
        public UnitPrice $cost,
        public int $pricePer,
        public Money $byBooks,
    ) {
    }

    /**
     * Read under the locks of StockLedger::lock.
     *
     * @param  list<int>  $items
     * @return array<int, self> by item
     */
    public static function of(array $items, Currency $currency): array
    {
        $rows = DB::table('items as i')
            ->leftJoin('stock as s', 's.item_id', '=', 'i.id')
            ->whereIn('i.id', $items)
            ->groupBy('i.id', 'i.cost', 'i.price_per')
            ->orderBy('i.id')
            ->get([
                'i.id',
                'i.cost',
                'i.price_per',
                DB::raw('COALESCE(SUM(s.on_hand), 0) AS on_hand'),
                DB::raw('CAST(COALESCE(SUM(s.value), 0) AS SIGNED) AS value'),
            ]);
        $worth = [];

        foreach ($rows as $row) {
            $worth[(int) $row->id] = new self(
                BigDecimal::of((string) $row->on_hand),
                UnitPrice::of((string) BigDecimal::of((string) $row->cost)->stripTrailingZeros()),
                (int) $row->price_per,
                Money::ofMinor((int) $row->value, $currency),
            );
        }

        return $worth;
    }

    /** What is on hand times its cost. */
    public static function byCost(BigDecimal $onHand, UnitPrice $cost, int $pricePer, Currency $currency): Money
    {
        return Money::round(BigRational::of($onHand)->multipliedBy($cost->value)->dividedBy($pricePer), $currency);
    }

    /** What the books are short of, or over (below zero), against what is on hand at a cost. */
    public function missing(BigDecimal $onHand, UnitPrice $cost, Money $byBooks): Money
    {
        return self::byCost($onHand, $cost, $this->pricePer, $byBooks->currency)->minus($byBooks);
    }
}
