<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;

/** What goes with an item: up to three others, offered where it is sold. */
final class Belongings
{
    public const MOST = 3;

    /**
     * @param  list<string>  $codes as typed
     * @return list<int> ids
     *
     * @throws Refused no_such_item, belongs_to_itself
     */
    public static function named(array $codes, string $of): array
    {
        $ids = [];

        foreach (array_diff(array_unique(array_map(trim(...), $codes)), ['']) as $code) {
            strcasecmp($code, $of) === 0
                && throw Refused::because('belongs_to_itself', "{$code} cannot go with itself.");
            $ids[] = Item::query()->where('code', $code)->first()->id
                ?? throw Refused::because('no_such_item', "No item has the code {$code}.");
        }

        return array_slice(array_values(array_unique($ids)), 0, self::MOST);
    }

    /**
     * In the transaction that saves the item.
     *
     * @param  list<int>  $ids
     */
    public static function keep(Item $item, array $ids): void
    {
        DB::table('item_belongings')->where('item_id', $item->id)->delete();

        foreach ($ids as $place => $id) {
            DB::table('item_belongings')->insert([
                'item_id' => $item->id,
                'position' => $place + 1,
                'belongs_id' => $id,
            ]);
        }

        $item->update(['has_belongings' => $ids !== []]);
    }
}
