<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Suppliers;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Shop\Location;
use Illuminate\Support\Facades\DB;

/** Keeps suppliers, what they sell us, and how little of an item there may be before more is bought. */
final class SaveSupplier
{
    /** @param  array<string, mixed>  $columns */
    public function handle(?Supplier $supplier, array $columns): Supplier
    {
        $supplier ??= new Supplier(['version' => 0]);
        $supplier->forceFill([...$columns, 'version' => $supplier->version + 1])->save();

        return $supplier;
    }

    /**
     * @param  string  $pack it is bought in multiples of this
     *
     * @throws Refused bad_quantity, bad_number
     */
    public function item(Supplier $supplier, Item $item, UnitPrice $cost, string $theirCode, string $pack): void
    {
        $isFirst = ! SupplierItem::query()
            ->where('item_id', $item->id)
            ->where('supplier_id', '!=', $supplier->id)
            ->where('is_first', true)
            ->exists();
        DB::table('item_suppliers')->upsert([[
            'item_id' => $item->id,
            'supplier_id' => $supplier->id,
            'their_code' => mb_substr($theirCode, 0, 40),
            'cost' => $cost->toString(),
            'pack' => Quantity::of(TypedNumber::plain($pack))->toString(),
            'is_first' => $isFirst,
        ]], ['item_id', 'supplier_id'], ['their_code', 'cost', 'pack']);
    }

    /**
     * What is watched at a place of what a supplier sells us.
     *
     * @return array<int, array{string, string}> least and up to, by item
     */
    public function levels(Location $location, Supplier $supplier): array
    {
        return DB::table('stock_levels')
            ->where('location_id', $location->id)
            ->whereIn('item_id', SupplierItem::query()->where('supplier_id', $supplier->id)->select('item_id'))
            ->get()
            ->mapWithKeys(static fn (object $row): array => [
                (int) $row->item_id => [(string) $row->least, (string) $row->up_to],
            ])
            ->all();
    }

    /**
     * How little of an item there may be at a place, and up to how much is bought then; nothing: it is not watched.
     *
     * @throws Refused bad_quantity, up_to_below_least
     */
    public function level(Item $item, Location $location, ?Quantity $least, ?Quantity $upTo): void
    {
        $row = ['item_id' => $item->id, 'location_id' => $location->id];

        if ($least === null) {
            DB::table('stock_levels')->where($row)->delete();

            return;
        }

        $most = $upTo ?? $least;
        $most->value->isLessThan($least->value) && throw Refused::because(
            'up_to_below_least',
            'Buy up to at least the least stock.',
        );
        DB::table('stock_levels')->updateOrInsert(
            $row,
            ['least' => $least->toString(), 'up_to' => $most->toString()],
        );
    }
}
