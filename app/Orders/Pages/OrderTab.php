<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLine;
use Elmstone\Orders\OrderState;
use Illuminate\Database\Eloquent\Builder;

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
        $lines = static fn (string $column): Builder => OrderLine::query()
            ->whereColumn('order_lines.agreement_id', 'agreements.id')
            ->whereNotNull('item_id')
            ->where($column, '>', 0);

        return match ($this) {
            self::Wanted => $open->orderByRaw('wanted_on IS NULL')->orderBy('wanted_on')->orderBy('id'),
            self::Ready => $open->whereExists($lines('aside'))->orderBy('id'),
            self::Waits => $open->whereExists($lines('missing'))->orderBy('id'),
            self::Late => $open->where('wanted_on', '<', $day->format('Y-m-d'))->orderBy('wanted_on')->orderBy('id'),
            self::Ended => Order::query()
                ->whereIn('state', [OrderState::Supplied, OrderState::Cancelled])
                ->orderByDesc('id'),
        };
    }
}
