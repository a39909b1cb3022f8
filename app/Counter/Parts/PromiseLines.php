<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Orders\Promise;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Purchasing\OnOrder;
use Elmstone\Purchasing\WaitsForGoods;
use Illuminate\Database\Eloquent\Collection;

/** What can be promised of the lines of a slip that is to become an order. RULES, section 13. */
final readonly class PromiseLines
{
    public function __construct(private WaitsForGoods $orders)
    {
    }

    /** @return array<int, LinePromise> by line of the slip; nothing for what has no stock */
    public function of(Slip $slip, OrderDraft $draft): array
    {
        $promises = [];
        $goods = $slip->lines->whereNotNull('item_id');

        foreach ($goods->groupBy(static fn (LineOnSlip $line): int => $draft->fromOf($line)) as $place => $lines) {
            $promises += $this->at((int) $place, $lines, $slip->day());
        }

        return $promises;
    }

    /**
     * @param  Collection<int, LineOnSlip>  $lines
     * @return array<int, LinePromise> by line
     */
    private function at(int $place, Collection $lines, CarbonImmutable $day): array
    {
        $items = array_values(array_map(intval(...), $lines->pluck('item_id')->unique()->all()));
        $stock = Stock::query()->where('location_id', $place)->whereIn('item_id', $items)->get()->keyBy('item_id');
        $coming = OnOrder::of($items, $place);
        $waiting = [];

        foreach ($this->orders->waiting($place, $items) as $wanted) {
            $waiting[$wanted->item] = $wanted->quantity->plus($waiting[$wanted->item] ?? BigDecimal::zero());
        }

        $promises = [];
        $before = [];

        foreach ($lines as $line) {
            $item = (int) $line->item_id;
            $of = $stock->get($item);
            $onOrder = $coming[$item] ?? OnOrder::none();
            // Lines of one item that stand before this one on the slip come before it.
            $older = ($waiting[$item] ?? BigDecimal::zero())->plus($before[$item] ?? BigDecimal::zero());
            $free = ($of?->available() ?? BigDecimal::zero())->minus($before[$item] ?? BigDecimal::zero());
            $promise = Promise::of(
                BigDecimal::of($of->on_hand ?? '0'), BigDecimal::of($of->committed ?? '0'), $older, $onOrder->free,
            );
            $found = $promise->dayFor($line->quantity->value, $day);
            $promises[$line->id] = $this->line($line, $free, $onOrder, $found === null
                ? null
                : CarbonImmutable::instance($found));
            $before[$item] = $line->quantity->value->plus($before[$item] ?? BigDecimal::zero());
        }

        return $promises;
    }

    private function line(LineOnSlip $line, BigDecimal $free, OnOrder $onOrder, ?CarbonImmutable $day): LinePromise
    {
        $there = $free->isNegative() ? BigDecimal::zero() : $free;
        $most = $there->isGreaterThan($line->quantity->value) ? $line->quantity->value : $there;
        $aside = $line->aside === null ? $most : BigDecimal::of($line->aside);

        return new LinePromise(
            $free->stripTrailingZeros(),
            $aside->stripTrailingZeros(),
            $line->quantity->value->minus($aside)->stripTrailingZeros(),
            $onOrder->quantity,
            $day,
        );
    }
}
