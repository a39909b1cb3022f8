<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Purchasing\WaitsForGoods;

/** What customers wait for at another location and could be sent from here: proposed on the sheet. */
final readonly class WantedThere
{
    private const MOST = 40;

    public function __construct(private WaitsForGoods $orders)
    {
    }

    /**
     * @return list<array{item: Item, wanted: BigDecimal, quantity: BigDecimal}> who waits longest first; how many are
     *     waited for, and how many of them could go
     */
    public function free(int $there, int $here): array
    {
        $wanted = [];

        foreach ($this->orders->waiting($there, most: 200) as $one) {
            $wanted[$one->item] = ($wanted[$one->item] ?? BigDecimal::zero())->plus($one->quantity);
        }

        $stock = Stock::query()
            ->where('location_id', $here)
            ->whereIn('item_id', array_keys($wanted))
            ->get()
            ->keyBy('item_id');
        $items = Item::query()->whereIn('id', array_keys($wanted))->get()->keyBy('id');
        $free = [];

        foreach (array_slice($wanted, 0, self::MOST, true) as $id => $quantity) {
            $there = $stock->get($id)?->available() ?? BigDecimal::zero();
            $item = $items->get($id);

            if ($item !== null && $there->isPositive()) {
                $free[] = [
                    'item' => $item,
                    'wanted' => $quantity->stripTrailingZeros(),
                    'quantity' => ($there->isGreaterThan($quantity) ? $quantity : $there)->stripTrailingZeros(),
                ];
            }
        }

        return $free;
    }
}
