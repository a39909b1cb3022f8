<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLine;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\Show;

/** Orders as a list to work through: a page of it, or all of it as a file. */
final class OrderList
{
    /**
     * @param  iterable<Order>  $orders with customers, lines and progress
     * @return Report<Order>
     */
    public static function of(iterable $orders, OrderTab $tab, CarbonImmutable $day, House $house): Report
    {
        return Report::of('Orders', $orders, [
            Column::code(
                'Order',
                'order',
                static fn (Order $order): string => $order->label,
                static fn (Order $order): string => route('orders.show', $order),
            ),
            Column::inFile('customer', static fn (Order $order): int => $order->customer->number),
            Column::text('Customer', 'name', static fn (Order $order): string => $order->customer->name)
                ->leading(static fn (Order $order): string => route('customers.show', $order->customer)),
            Column::text('Wanted', '', static fn (Order $order): string => self::wanted($order))
                ->nowrap()
                ->toned(static fn (Order $order): string => $order->isLate($day) ? 'brick' : ''),
            Column::inFile('wanted on', static fn (Order $order): ?CarbonImmutable => $order->wanted_on),
            Column::text('Goods', 'goods', self::goods(...))->small(),
            Column::text('How', 'way', static fn (Order $order): string => $order->waysInWords())->small(),
            Column::money('Open', 'open', static fn (Order $order): Money => $order->open_total)->blankAtZero(),
            Column::money('Deposit', 'deposit', static fn (Order $order): Money => $order->held())->blankAtZero(),
            Column::inFile('charged', static fn (Order $order): string => $order->is_charged ? 'yes' : 'no'),
            Column::inFile('made on', static fn (Order $order): CarbonImmutable => $order->made_on),
            Column::inFile('currency', static fn (): string => $house->currency()->code),
            Column::text($tab === OrderTab::Ended ? 'How it ended' : 'What to do', '', static fn (
                Order $order,
            ): string => self::next($order))->small(),
        ])
            ->about('goods promised, as of '.Show::date($day)." · {$house->currency()->code}")
            ->savedAs("orders-{$tab->value}-{$day->format('Y-m-d')}", 'orders.csv');
    }

    private static function wanted(Order $order): string
    {
        return $order->wanted_on === null ? '' : trim(Show::date($order->wanted_on)." {$order->wanted_when}");
    }

    private static function goods(Order $order): string
    {
        $lines = $order->lines();

        return $lines->first()?->description.($lines->count() > 1 ? ' and '.($lines->count() - 1).' more' : '');
    }

    /** What somebody does with it now. */
    private static function next(Order $order): string
    {
        $here = $order->progress->filter(static fn (OrderLine $line): bool => $line->isAside()->isPositive());
        $waits = $order->progress->filter(static fn (OrderLine $line): bool => $line->item_id !== null
            && BigDecimal::of($line->missing)->isPositive());

        return match (true) {
            ! $order->isOpen() => $order->state->value.($order->ended_why === '' ? '' : ": {$order->ended_why}"),
            $here->isNotEmpty() && $waits->isEmpty() => 'all here: hand over or deliver',
            $here->isNotEmpty() => 'part of it is here',
            $waits->isNotEmpty() => 'waits for goods',
            default => 'hand over or deliver',
        };
    }
}
