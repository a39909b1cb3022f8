<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Core\Money\UnitPrice;

/** The goods of an agreement, as they are locked before they leave, are free again or are changed. */
final class AgreedGoods
{
    public static function moving(Agreement $agreement, ?GoodsMoving $moving = null): GoodsMoving
    {
        $moving ??= new GoodsMoving;

        foreach ($agreement->loadMissing('allLines.item')->lines() as $line) {
            $line->item_id === null || $moving->out($line->item_id, $agreement->location_id, $line->serials ?? []);
        }

        return $moving;
    }

    /**
     * What they cost now, read under the lock.
     *
     * @param  array<Agreement>  $agreements
     * @param  array<int, UnitPrice>  $costs by item
     */
    public static function costNow(array $agreements, array $costs): void
    {
        foreach ($agreements as $agreement) {
            foreach ($agreement->lines() as $line) {
                $line->item === null || ($line->item->cost = $costs[$line->item->id] ?? $line->item->cost);
            }
        }
    }
}
