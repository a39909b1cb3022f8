<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Brick\Math\RoundingMode;
use Elmstone\Catalogue\Item;
use Elmstone\Labels\ListsForLabels;
use Elmstone\Purchasing\Suppliers\Supplier;

/** Labels for the goods of an owner: one for each piece that is on hand. */
final class OwnerLabels implements ListsForLabels
{
    public function name(): string
    {
        return 'owner';
    }

    public function items(array $asked): iterable
    {
        $owner = Supplier::query()->where('code', $asked['code'] ?? '')->value('id');

        foreach (Item::query()->with('stock')->where('owner_id', $owner ?? 0)->orderBy('description')->get() as $item) {
            $there = $item->onHand();

            if ($there->isPositive()) {
                yield [$item, $there->toScale(0, RoundingMode::UP)->toInt()];
            }
        }
    }
}
