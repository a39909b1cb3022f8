<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Purchasing\Links;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Purchasing\Wanted;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** Orders that wait for goods, oldest first, and what is set aside for them when goods come in. */
final class ServeWaiting implements WaitsForGoods
{
    /** @var array<int, Order> by id, locked in this transaction */
    private array $locked = [];

    public function __construct(private readonly OrderLedger $ledger)
    {
    }

    public function waiting(int $location, ?array $items = null, ?int $most = null): array
    {
        $waiting = [];

        foreach ($items === [] ? [] : $this->lines($location, $items, $most) as $line) {
            $waiting[] = new Wanted(
                $line->agreement_id,
                $line->position,
                (int) $line->item_id,
                BigDecimal::of($line->waits)->stripTrailingZeros(),
                $line->order->label,
                $line->order->customer->name,
            );
        }

        return $waiting;
    }

    public function labels(array $agreements): array
    {
        return $agreements === []
            ? []
            : Order::query()->toBase()->whereIn('id', $agreements)->orderBy('id')->pluck('label', 'id')
                ->map(static fn (mixed $label): string => is_string($label) ? $label : '')
                ->all();
    }

    public function lock(array $agreements): void
    {
        $this->locked = $this->ledger->lockAll($agreements);
    }

    public function serve(array $for, int $location): array
    {
        $served = [];

        foreach ($for as $wanted) {
            $order = $this->locked[$wanted->agreement] ?? null;
            $line = $order?->at($wanted->line);

            if ($order === null || ! $order->isOpen() || $line === null || $line->location_id !== $location) {
                continue;
            }

            $missing = BigDecimal::of($line->missing);
            $now = $wanted->quantity->isGreaterThan($missing) ? $missing : $wanted->quantity;

            if ($now->isPositive()) {
                $this->ledger->aside($order, [$wanted->line => $now->stripTrailingZeros()]);
                $served[] = $wanted->with($now->stripTrailingZeros());
            }
        }

        return $served;
    }

    /**
     * Lines of which something is missing at a place that nothing is bought for.
     *
     * @param  list<int>|null  $items null: all
     * @return Collection<int, OrderLine> with what waits of each
     */
    private function lines(int $location, ?array $items, ?int $most): Collection
    {
        return OrderLine::query()
            ->with('order.customer')
            ->where('location_id', $location)
            ->where('missing', '>', 0)
            ->when(
                $items === null,
                static fn (Builder $query) => $query->whereNotNull('item_id'),
                static fn (Builder $query) => $query->whereIn('item_id', $items ?? []),
            )
            ->select('order_lines.*')
            ->selectSub(
                Links::beyond('order_lines.missing', 'order_lines.agreement_id', 'order_lines.position'),
                'waits',
            )
            ->having('waits', '>', 0)
            ->orderBy('agreement_id')
            ->orderBy('position')
            ->when($most !== null, static fn (Builder $query) => $query->limit((int) $most))
            ->get();
    }
}
