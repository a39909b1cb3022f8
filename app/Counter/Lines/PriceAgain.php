<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Counter\Slip\Slip;

/** Prices the lines of a slip again, for whom it is now and at what level; what was typed by hand stays. */
final class PriceAgain
{
    public static function all(Slip $slip): void
    {
        $slip->load('lines.item');
        $slip
            ->priceTerms()
            ?->preload(
                $slip->lines
                    ->pluck('item_id')
                    ->filter()
                    ->map(static fn (mixed $id): int => is_int($id) ? $id : 0)
                    ->all(),
            );

        foreach ($slip->lines as $line) {
            if ($line->item !== null && ! $line->price_rule->isHeld()) {
                $line->update(
                    LinePricing::afresh(
                        $line->item,
                        $line->quantity,
                        $slip,
                        $line->standing_discount || $line->takesNoDiscountYet(),
                    ),
                );
            }
        }
    }
}
