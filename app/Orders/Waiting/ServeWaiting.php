<?php

declare(strict_types=1);

namespace Elmstone\Orders\Waiting;

use Brick\Math\BigDecimal;
use Elmstone\Customers\Customer;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Purchasing\Links;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Purchasing\Wanted;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Orders that wait for goods, oldest first, and what is set aside for them when goods come in. */
final class ServeWaiting implements WaitsForGoods
{
    /** @var array<int, Order> by id, locked in this transaction */
    private array $locked = [];

    public function __construct(private readonly OrderLedger $ledger)
    {
    }

    public function waiting(
        int $location,
        ?array $items = null,
        ?int $most = null,
        ?array $among = null,
    ): array {
        $waiting = [];

        $lines = $items === [] || $among === [] ? new Collection : $this->lines($location, $items, $most, $among);
        $orders = Order::query()
            ->toBase()
            ->whereIn('id', $lines->pluck('agreement_id')->unique())
            ->get(['id', 'label', 'customer_id'])
            ->keyBy('id');
        $names = Customer::query()->toBase()->whereIn('id', $orders->pluck('customer_id')->unique())
            ->pluck('name', 'id');

        foreach ($lines as $line) {
            $order = $orders->get($line->agreement_id);
            $waiting[] = new Wanted(
                (int) $line->agreement_id,
                (int) $line->position,
                (int) $line->item_id,
                BigDecimal::of((string) $line->waits)->stripTrailingZeros(),
                (string) $order?->label,
                (string) $names->get($order?->customer_id),
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
        $changes = [];

        foreach ($for as $wanted) {
            $order = $this->locked[$wanted->agreement] ?? null;
            $line = $order?->at($wanted->line);

            if ($order === null || ! $order->isOpen() || $line === null || $line->location_id !== $location) {
                continue;
            }

            $already = $changes[$order->id][$wanted->line] ?? BigDecimal::zero();
            $missing = BigDecimal::of($line->missing)->minus($already);
            $now = $wanted->quantity->isGreaterThan($missing) ? $missing : $wanted->quantity;

            if ($now->isPositive()) {
                $changes[$order->id][$wanted->line] = $already->plus($now)->stripTrailingZeros();
                $served[] = $wanted->with($now->stripTrailingZeros());
            }
        }

        $changes === [] || $this->ledger->asideAll($this->locked, $changes);

        return $served;
    }

    /**
     * Lines of which something is missing at a place that nothing is bought for, as rows: there can be thousands.
     *
     * @param  list<int>|null  $items null: all
     * @param  list<int>|null  $among agreements; null: all
     * @return Collection<int, stdClass> agreement_id, position, item_id, and what of each waits
     */
    private function lines(int $location, ?array $items, ?int $most, ?array $among): Collection
    {
        return DB::table('order_lines')
            // All of them: in the order of their age, until there are enough. Of some items: by the items.
            ->forceIndex(match (true) {
                $among !== null => 'PRIMARY',
                $items === null => 'order_lines_oldest',
                default => 'order_lines_waiting',
            })
            ->where('location_id', $location)
            ->when($among !== null, static fn (Builder $query) => $query->whereIn('agreement_id', $among ?? []))
            ->when(
                $items === null,
                static fn (Builder $query) => $query->where('waiting', true),
                static fn (Builder $query) => $query->whereIn('item_id', $items ?? [])->where('missing', '>', 0),
            )
            ->select(['agreement_id', 'position', 'item_id'])
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
