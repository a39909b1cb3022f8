<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceChange;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Refused;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Says whose an item is until it is sold, or that it is the house's again. Only while none of it is there. */
final class ConsignItem
{
    /**
     * @param  Supplier|null  $owner null: the house's
     * @param  OwnerShare|null  $share null: as the owner has it of everything
     *
     * @throws Refused no_owner, still_there
     */
    public function handle(Item $item, ?Supplier $owner, ?OwnerShare $share, Staff $by): void
    {
        DB::transaction(static function () use ($item, $owner, $share, $by): void {
            $item = Item::query()->lockForUpdate()->whereKey($item->id)->firstOrFail();
            $percent = $owner === null ? null : $share?->percent->toString() ?? $owner->owner_percent
                ?? throw Refused::because('no_owner', "{$owner->name} has no share of what is sold yet: say it first.");
            $item->owner_id === $owner?->id || self::assertNoneThere($item);
            $was = self::words($item);
            $item->forceFill([
                'owner_id' => $owner?->id,
                'owner_percent' => $percent,
                ...$owner === null ? [] : ['cost' => '0'],
            ])->save();
            $is = self::words($item->refresh());
            $was === $is || PriceChange::query()->create([
                'item_id' => $item->id, 'staff_id' => $by->id, 'field' => 'owner', 'was' => $was, 'became' => $is,
            ]);
        });
    }

    private static function words(Item $item): ?string
    {
        $owner = $item->owner_id === null ? null : Supplier::query()->whereKey($item->owner_id)->value('code');

        return is_string($owner) ? "{$owner} ".(rtrim(rtrim((string) $item->owner_percent, '0'), '.')).' %' : null;
    }

    /** @throws Refused still_there */
    private static function assertNoneThere(Item $item): void
    {
        $there = Stock::query()->where('item_id', $item->id)->lockForUpdate()->get()
            ->contains(static fn (Stock $stock): bool => trim($stock->on_hand, '-0.') !== '');
        $there && throw Refused::because(
            'still_there',
            "Some of {$item->code} is on hand. Sell it, write it off or give it back first: what is there cannot "
                .'change hands.',
        );
    }
}
