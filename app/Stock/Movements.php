<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What moved in stock, for who reads figures out of it: movements as `m`, with their items as `i`. */
final class Movements
{
    public static function withItems(): Builder
    {
        return DB::table('stock_movements as m')->join('items as i', 'i.id', '=', 'm.item_id');
    }

    /**
     * @param  Collection<int, mixed>  $items
     * @return array<int, string> the day each was sold last, by item
     */
    public static function lastSold(Collection $items): array
    {
        $days = [];

        foreach ($items->chunk(1000) as $some) {
            foreach (
                DB::table('stock_movements')->whereIn('item_id', $some)->where('why', 'sale')->groupBy('item_id')
                    ->selectRaw('item_id, MAX(business_date) AS day')->get() as $row
            ) {
                $days[(int) $row->item_id] = (string) $row->day;
            }
        }

        return $days;
    }
}
