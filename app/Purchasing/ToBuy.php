<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Purchasing\Suppliers\SupplierItem;
use Illuminate\Support\Facades\DB;

/** What is to be bought for a place: what orders wait for, and what is below its least stock. */
final class ToBuy
{
    /** So many rows are worked through at once. */
    public const MOST = 100;

    /** So many lines of orders, the oldest that wait, are bought for at once; the next are there after these. */
    private const LINES = 500;

    public function __construct(private readonly WaitsForGoods $orders)
    {
    }

    /** @return list<ToBuyRow> by supplier, those of none first */
    public function at(int $location, ?int $supplier = null): array
    {
        $waiting = [];

        foreach ($this->orders->waiting($location, most: self::LINES) as $wanted) {
            $waiting[$wanted->item][] = $wanted;
        }

        $low = $this->low($location);
        $ids = array_slice(array_values(array_unique([...array_keys($waiting), ...array_keys($low)])), 0, self::MOST);
        $items = Item::query()->with('department')->whereIn('id', $ids)->get()->keyBy('id');
        $sources = SupplierItem::query()
            ->with('supplier')
            ->whereIn('item_id', $ids)
            ->orderByDesc('is_first')
            ->orderBy('supplier_id')
            ->get()
            ->groupBy('item_id');
        $onOrder = OnOrder::of($ids, $location);
        $rows = [];

        foreach ($ids as $id) {
            $item = $items->get($id);
            $row = $item === null ? null : ToBuyRow::of(
                $item,
                $sources->get($id)?->first(),
                $waiting[$id] ?? [],
                $low[$id] ?? null,
                $onOrder[$id] ?? OnOrder::none(),
            );

            if ($row !== null && ($supplier === null || $row->source?->supplier_id === $supplier)) {
                $rows[] = $row;
            }
        }

        usort($rows, static fn (ToBuyRow $one, ToBuyRow $other): int => [
            $one->source?->supplier->name ?? '', $one->item->description,
        ] <=> [$other->source?->supplier->name ?? '', $other->item->description]);

        return $rows;
    }

    /**
     * What is at or below its least: available and on order counted.
     *
     * @return array<int, LowStock> by item
     */
    private function low(int $location): array
    {
        $levels = DB::table('stock_levels')->where('location_id', $location)->orderBy('item_id')->get();
        $stock = Stock::query()
            ->where('location_id', $location)
            ->whereIn('item_id', $levels->pluck('item_id'))
            ->get()
            ->keyBy('item_id');
        $low = [];

        foreach ($levels as $row) {
            $one = new LowStock(
                $stock->get($row->item_id)?->available() ?? BigDecimal::zero(),
                BigDecimal::of((string) $row->least),
                BigDecimal::of((string) $row->up_to),
            );
            $one->available->isLessThan($one->least) && ($low[(int) $row->item_id] = $one);
        }

        return $low;
    }
}
