<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;

/** The ways to look at the orders, each in the order they are worked through. */
enum OrderTab: string
{
    case Wanted = 'wanted';
    case Ready = 'ready';
    case Waits = 'waits';
    case Late = 'late';
    case Ended = 'ended';

    public function label(): string
    {
        return match ($this) {
            self::Wanted => 'Wanted next',
            self::Ready => 'Goods here',
            self::Waits => 'Waiting for goods',
            self::Late => 'Late',
            self::Ended => 'Ended',
        };
    }

    /** @return Builder<Order> */
    public function query(CarbonImmutable $day): Builder
    {
        $open = Order::query()->where('state', OrderState::Open);
        // A value and not a condition: so it is asked order by order, as they are wanted, until the page is full.
        $lines = static fn (string $column): Closure => static fn (Query $lines) => $lines
            ->selectRaw('1')
            ->from('order_lines')
            ->whereColumn('order_lines.agreement_id', 'agreements.id')
            ->whereNotNull('item_id')
            ->where($column, '>', 0)
            ->limit(1);

        return match ($this) {
            self::Wanted => $open->orderBy('wanted_by')->orderBy('id'),
            self::Ready => $open->where($lines('aside'), '=', 1)->orderBy('wanted_by')->orderBy('id'),
            self::Waits => $open->where($lines('missing'), '=', 1)->orderBy('wanted_by')->orderBy('id'),
            self::Late => $open->where('wanted_by', '<', $day->format('Y-m-d'))->orderBy('wanted_by')->orderBy('id'),
            self::Ended => Order::query()
                ->whereIn('state', [OrderState::Supplied, OrderState::Cancelled])
                ->orderByDesc('id'),
        };
    }
}
