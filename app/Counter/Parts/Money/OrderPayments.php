<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Money;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\OrderPart;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Orders\Supply\SupplyCharge;
use Elmstone\Orders\Supply\SupplyOrder;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** What is paid on orders made before; their goods leave with it. */
final readonly class OrderPayments implements TakesMoney
{
    public function __construct(
        private House $house,
        private OrderLedger $orders,
        private SupplyOrder $supply,
        private SupplyCharge $charge,
    ) {
    }

    public function due(Slip $slip): Money
    {
        return Money::sum(
            array_map(static fn (OrderPart $part): Money => $part->amount, $slip->orderParts()),
            $this->house->currency(),
        );
    }

    public function words(): string
    {
        return 'on orders';
    }

    public function alone(): null
    {
        return null;
    }

    public function heldAs(): HeldKind
    {
        return HeldKind::Order;
    }

    public function hindrances(ReckonedCounter $reckoned): array
    {
        return array_values(
            array_filter(
                array_map(
                    fn (OrderPart $part): ?Refused => $this->refused($reckoned->slip, $part),
                    $reckoned->slip->orderParts(),
                ),
                static fn (?Refused $refused): bool => $refused !== null,
            ),
        );
    }

    public function enter(TakenIn $in): void
    {
        foreach ($in->slip()->orderParts() as $part) {
            $part->amount->isZero() || $this->orders->pay(
                $in->slip()->orders[$part->orderId],
                $in->receipt,
                $part->amount,
                $in->day(),
                $this->total($in->slip(), $part),
            );
        }
    }

    /** What hinders a payment on an order, or its goods to leave; null: nothing. */
    public function refused(Slip $slip, OrderPart $part): ?Refused
    {
        $order = $slip->orders[$part->orderId] ?? null;

        if ($order === null || $order->customer_id !== $slip->customer_id) {
            return Refused::because('not_theirs', 'This order is not this customer’s.');
        }

        try {
            $this->assertFine($slip, $order, $part);
        } catch (Refused $refused) {
            return $refused;
        }

        return null;
    }

    /** What leaves comes to, tax of the day in it. */
    public function total(Slip $slip, OrderPart $part): Money
    {
        $order = $slip->orders[$part->orderId] ?? null;

        return $order === null || $part->leaving->isEmpty()
            ? $this->house->money(0)
            : $this->supply->total($order, $part->leaving, $slip->wouldBePostedAt());
    }

    private function assertFine(Slip $slip, Order $order, OrderPart $part): void
    {
        OrderLedger::assertPayable($order, $part->amount, $this->total($slip, $part));

        if ($part->leaving->isEmpty()) {
            $part->amount->isPositive() || throw Refused::because(
                'nothing_leaves',
                "Say what of {$order->label} leaves, or what is paid on it.",
            );

            return;
        }

        SupplyOrder::assertMayLeave($order, $part->leaving, $slip->location);
        $total = $this->total($slip, $part);
        $open = $total->minus($order->held())->minus($part->amount);

        $open->isPositive() && ! $order->is_charged && throw Refused::because(
            'not_paid',
            Show::money($open)." of what leaves on {$order->label} is not paid yet.",
        );
        $order->is_charged && $this->charge->needs($order, $total, $slip->account?->account, "order.{$order->id}");
    }
}
