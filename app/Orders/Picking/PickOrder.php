<?php

declare(strict_types=1);

namespace Elmstone\Orders\Picking;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Orders\OrderLine;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Goods of an order are gathered piece by piece, each by its scan: what is not of the order is refused, single pieces
 * by their numbers, and what is not found in the end waits again.
 */
final class PickOrder
{
    public function __construct(
        private readonly OrderLedger $ledger,
        private readonly StockLedger $stock,
        private readonly ItemSearch $search,
    ) {
    }

    /**
     * One piece, by its code, its barcode or its serial number.
     *
     * @param  string  $act the same act counts once
     * @return int the line it is of
     *
     * @throws Refused not_open, unknown, not_on_order, other_location, serial_missing, serial_out, serial_set_aside,
     *     picked_already, waits
     */
    public function scan(int $order, string $scanned, Location $here, string $act): int
    {
        return DB::transaction(function () use ($order, $scanned, $here, $act): int {
            $locked = $this->locked($order);
            $before = $locked->picks->firstWhere('act', $act);

            if ($before !== null) {
                return $before->position;
            }

            $serial = Serials::read($scanned)[0] ?? '';
            $piece = $this->piece($locked, $serial, $here);
            $line = $piece ?? $this->goods($locked, $scanned, $here);
            $pick = $locked->picks->firstWhere('position', $line->position);
            $serials = $piece === null ? null : [...$pick->serials ?? [], $serial];
            $picked = $pick?->of($this->progress($locked, $line)) ?? BigDecimal::zero();
            $this->put($locked, $line, $picked->plus(1), $serials, $act);

            return $line->position;
        }, 3);
    }

    /**
     * So many of a line, as they were counted; of single pieces which ones, as their plates say.
     *
     * @throws Refused not_open, bad_quantity, picked_already, bad_serial, serial_twice
     */
    public function count(int $order, int $position, string $typed, string $act): void
    {
        DB::transaction(function () use ($order, $position, $typed, $act): void {
            $locked = $this->locked($order);
            $line = $locked->line($position) ?? throw Refused::because('not_there', 'This line is not on the order.');
            $serials = $line->item?->has_serials === true ? Serials::read($typed) : null;
            $plain = trim($typed) === '' ? '0' : ($serials === null ? TypedNumber::plain(trim($typed)) : '');
            $quantity = match (true) {
                $serials !== null => BigDecimal::of(count($serials)),
                $plain === '0' => BigDecimal::zero(),
                default => Quantity::of($plain)->value,
            };
            $this->put($locked, $line, $quantity, $serials, $act);
        }, 3);
    }

    /**
     * What was taken of it where it was brought, and is not invoiced yet: what stands there as picked from now on.
     *
     * @throws Refused not_open, picked_already
     */
    public function taken(int $order, Leaving $leaving): void
    {
        DB::transaction(function () use ($order, $leaving): void {
            $locked = $this->locked($order);

            foreach ($leaving->quantities as $position => $quantity) {
                $line = $locked->line($position);
                $line === null || $line->isFee() || $this->put(
                    $locked,
                    $line,
                    $quantity,
                    $leaving->serials[$position] ?? null,
                    (string) Str::uuid(),
                    taken: true,
                );
            }
        }, 3);
    }

    /**
     * The picking is over: what was set aside here and is not picked waits again.
     *
     * @return array<int, BigDecimal> what was short, by position
     *
     * @throws Refused not_open, nothing_picked
     */
    public function finish(int $order, Location $here, Staff $by): array
    {
        return DB::transaction(function () use ($order, $here, $by): array {
            $locked = $this->locked($order);
            $locked->picks->isEmpty() && throw Refused::because('nothing_picked', 'Nothing of it is picked yet.');
            $short = $this->short($locked, $here);
            $moving = new GoodsMoving;

            foreach (array_keys($short) as $position) {
                $line = $locked->at($position);
                $line?->item_id === null || $moving->out($line->item_id, $line->location_id);
            }

            $this->stock->lock($moving);
            $this->ledger->aside(
                $locked,
                array_map(static fn (BigDecimal $quantity): BigDecimal => $quantity->negated(), $short),
            );
            $locked->forceFill(['version' => $locked->version + 1])->save();
            $words = array_map(
                static fn (int $position, BigDecimal $quantity): string => Show::decimal($quantity)
                    ." × {$locked->line($position)?->description}",
                array_keys($short),
                $short,
            );
            $this->ledger->record(
                $locked,
                $by,
                $words === [] ? 'Picked, all of it' : 'Picked, short of '.implode(', ', $words),
                $locked->total,
            );

            return $short;
        }, 3);
    }

    /** @return array<int, BigDecimal> set aside here and not picked, by position */
    private function short(Order $order, Location $here): array
    {
        $short = [];

        foreach ($order->progress as $line) {
            if ($line->item_id !== null && $line->location_id === $here->id) {
                $picked = $order->picks->firstWhere('position', $line->position)?->of($line) ?? BigDecimal::zero();
                $missing = $line->isAside()->minus($picked);
                $missing->isPositive() && ($short[$line->position] = $missing);
            }
        }

        return $short;
    }

    private function locked(int $order): Order
    {
        $locked = $this->ledger->lock($order)->load(['progress', 'allLines.item', 'picks']);

        $locked->isOpen()
            || throw Refused::because('not_open', "{$locked->label} is {$locked->state->value} already.");
        Pick::assertNothingTaken($locked);

        return $locked;
    }

    /** The line that a single piece is of; null: it is none of its pieces. */
    private function piece(Order $order, string $serial, Location $here): ?AgreedLine
    {
        $lines = $order->lines()->filter(static fn (AgreedLine $line): bool => $line->item?->has_serials === true);
        $row = $lines->isEmpty() ? null : Serials::of($lines->pluck('item_id')->all(), $serial);

        if ($row === null) {
            return null;
        }

        match (true) {
            $row->state === 'out' => throw Refused::because('serial_out', "{$serial} has left the shop already."),
            $row->state === 'aside' && $row->agreement_id !== $order->id => throw Refused::because(
                'serial_set_aside',
                "{$serial} is set aside for somebody else.",
            ),
            $order->picks->contains(
                static fn (Pick $pick): bool => in_array($serial, $pick->serials ?? [], true),
            ) => throw Refused::because('picked_already', "{$serial} is picked already."),
            default => null,
        };

        return $this->open($order, $lines->where('item_id', $row->item_id)->all(), $here);
    }

    private function goods(Order $order, string $scanned, Location $here): AgreedLine
    {
        $item = $this->search->exact($scanned)
            ?? throw Refused::because('unknown', "Nothing is known by “{$scanned}”. Do not put it with the order.");
        $lines = $order->lines()->where('item_id', $item->id)->all();
        $lines === [] && throw Refused::because(
            'not_on_order',
            "Wrong goods: “{$item->description}” ({$item->code}) is not on {$order->label}.",
        );
        $line = $this->open($order, $lines, $here);
        $this->assertPlain($item);

        return $line;
    }

    private function assertPlain(Item $item): void
    {
        $item->has_serials && throw Refused::because(
            'serial_missing',
            "Scan the serial number on each piece of “{$item->description}”, or type what its plate says.",
        );
    }

    /**
     * The first of some lines that has something to pick here.
     *
     * @param  array<AgreedLine>  $lines
     */
    private function open(Order $order, array $lines, Location $here): AgreedLine
    {
        $why = null;

        foreach ($lines as $line) {
            $progress = $this->progress($order, $line);
            $picked = $order->picks->firstWhere('position', $line->position)?->of($progress) ?? BigDecimal::zero();
            $aside = $progress->isAside();

            if ($progress->location_id === $here->id && $aside->isGreaterThan($picked)) {
                return $line;
            }

            $why ??= match (true) {
                $progress->location_id !== $here->id => Refused::because(
                    'other_location',
                    "“{$line->description}” leaves at another location.",
                ),
                $aside->isZero() => Refused::because(
                    'waits',
                    "Nothing of “{$line->description}” is set aside here now: it waits for goods.",
                ),
                default => Refused::because(
                    'picked_already',
                    'All '.Show::decimal($aside)." of “{$line->description}” are picked. Put this one back.",
                ),
            };
        }

        throw $why ?? Refused::because('not_on_order', 'That is not on the order.');
    }

    private function progress(Order $order, AgreedLine $line): OrderLine
    {
        return $order->at($line->position) ?? throw Refused::because('not_there', 'This line is not on the order.');
    }

    /** @param  list<string>|null  $serials */
    private function put(
        Order $order,
        AgreedLine $line,
        BigDecimal $quantity,
        ?array $serials,
        string $act,
        bool $taken = false,
    ): void {
        $aside = $this->progress($order, $line)->mayLeave();
        $quantity->isGreaterThan($aside) && throw Refused::because(
            'picked_already',
            'Only '.Show::decimal($aside)." of “{$line->description}” are set aside for it.",
        );
        $row = ['agreement_id' => $order->id, 'position' => $line->position];
        $quantity->isZero()
            ? DB::table('order_picks')->where($row)->delete()
            : DB::table('order_picks')->updateOrInsert($row, [
                'quantity' => (string) $quantity,
                'serials' => $serials === null ? null : json_encode($serials, JSON_THROW_ON_ERROR),
                'act' => $act,
                'taken' => $taken,
            ]);
    }
}
