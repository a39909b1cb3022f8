<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Catalogue\GoodsMoving;

/** The goods of a layaway, as they are locked before they leave, are free again or are changed. */
final class LayawayGoods
{
    public static function moving(Layaway $layaway, ?GoodsMoving $moving = null): GoodsMoving
    {
        $moving ??= new GoodsMoving;

        foreach ($layaway->loadMissing('allLines.item')->lines() as $line) {
            $line->item_id === null || $moving->out($line->item_id, $layaway->location_id, $line->serials ?? []);
        }

        return $moving;
    }

    /**
     * What they cost now, read under the lock.
     *
     * @param  array<Layaway>  $layaways
     * @param  array<int, string>  $costs by item
     */
    public static function costNow(array $layaways, array $costs): void
    {
        foreach ($layaways as $layaway) {
            foreach ($layaway->lines() as $line) {
                $line->item === null || ($line->item->cost = $costs[$line->item->id] ?? $line->item->cost);
            }
        }
    }
}
