<?php

declare(strict_types=1);

namespace Elmstone\Orders\Waiting;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Stock;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Refused;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/** Sets aside for an order what it waits for and is there and nobody's; or gives up what was set aside. */
final class AllotGoods
{
    public function __construct(private readonly OrderLedger $ledger, private readonly StockLedger $stock)
    {
    }

    /**
     * All that can be had for an order now.
     *
     * @return array<int, BigDecimal> what was set aside, by position
     *
     * @throws Refused not_open, nothing_there
     */
    public function handle(int $order, Staff $by): array
    {
        return DB::transaction(function () use ($order, $by): array {
            $locked = $this->ledger->lock($order)->load(['progress', 'allLines.item']);
            $locked->isOpen()
                || throw Refused::because('not_open', "{$locked->label} is {$locked->state->value} already.");
            $moving = new GoodsMoving;

            foreach ($locked->progress as $line) {
                $line->item_id === null || $moving->out($line->item_id, $line->location_id);
            }

            $this->stock->lock($moving);
            $changes = $this->there($locked);
            $changes === [] && throw Refused::because(
                'nothing_there',
                "Nothing that {$locked->label} waits for is there and free.",
            );
            $this->ledger->aside($locked, $changes);
            $locked->forceFill(['version' => $locked->version + 1])->save();
            $words = array_map(
                static fn (int $position, BigDecimal $quantity): string => Show::decimal($quantity)
                    ." × {$locked->line($position)?->description}",
                array_keys($changes),
                $changes,
            );
            $this->ledger->record($locked, $by, 'Set aside '.implode(', ', $words), $locked->total);

            return $changes;
        }, 3);
    }

    /** @return array<int, BigDecimal> by position */
    private function there(Order $order): array
    {
        $free = Stock::free($order->progress->pluck('item_id'));
        $changes = [];

        foreach ($order->progress as $line) {
            $missing = BigDecimal::of($line->missing)->stripTrailingZeros();

            if ($line->item_id === null || ! $missing->isPositive()) {
                continue;
            }

            $place = "{$line->item_id} {$line->location_id}";
            $there = $free[$place] ?? BigDecimal::zero();
            $now = $there->isGreaterThan($missing) ? $missing : $there;

            if ($now->isPositive()) {
                $changes[$line->position] = $now;
                $free[$place] = $there->minus($now);
            }
        }

        return $changes;
    }
}
