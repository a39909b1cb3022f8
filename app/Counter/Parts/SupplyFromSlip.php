<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Closure;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PartKind;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Orders\Order;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Orders\Supply\SupplyOrder;
use Elmstone\Shop\House;

/** Puts an order on the slip: its goods leave as far as they are here, and what is due for them is paid. */
final class SupplyFromSlip
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly PutCustomer $put,
        private readonly SupplyOrder $supply,
        private readonly House $house,
    ) {
    }

    /**
     * An order found by its number, a scan or its customer: what is set aside for it here is proposed to leave.
     *
     * @throws Refused not_open, not_theirs
     */
    public function add(string $slipKey, Act $act, Order $order): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $order): void {
            $order->isOpen()
                || throw Refused::because('not_open', "{$order->label} is {$order->state->value} already.");

            if ($slip->customer_id !== null && $slip->customer_id !== $order->customer_id) {
                throw Refused::because(
                    'not_theirs',
                    "{$order->label} is {$order->customer->name}’s, not {$slip->customer_name}’s. Begin another slip "
                        .'for it.',
                );
            }

            $slip->customer_id === null && $this->put->place($slip, $order->customer);
            $order->load(['progress', 'picks', 'allLines.item', 'location']);
            $parts = $slip->orderParts();
            $leaving = $order->leavesNow($act->till->location_id);
            $parts[$order->id] ??= new OrderPart(
                $order->id,
                $this->due($order, $leaving, $slip, $act),
                $leaving,
            );
            $this->keep($slip, $parts);
        });
    }

    /** @param  Money|null  $amount null: nothing is paid on it now */
    public function amount(string $slipKey, Act $act, int $order, ?Money $amount): Slip
    {
        return $this->change(
            $slipKey,
            $act,
            $order,
            fn (OrderPart $part): OrderPart => $part->paying($amount ?? $this->house->money(0)),
        );
    }

    /** So much of a line leaves; what is due for it follows. */
    public function quantity(string $slipKey, Act $act, int $order, int $position, string $typed): Slip
    {
        return $this->change($slipKey, $act, $order, function (OrderPart $part, Slip $slip) use (
            $act, $order, $position, $typed,
        ): OrderPart {
            $of = $slip->orders[$order] ?? throw Refused::because('not_there', 'This order is not on the slip.');
            $quantity = trim($typed) === '' || TypedNumber::plain(trim($typed)) === '0'
                ? BigDecimal::zero()
                : Quantity::of(TypedNumber::plain(trim($typed)))->value;
            $left = $of->at($position)?->left() ?? BigDecimal::zero();
            $quantity->isGreaterThan($left) && throw Refused::because(
                'more_than_left',
                "Only {$left} of “{$of->line($position)?->description}” can still be supplied on {$of->label}.",
            );
            $leaving = Leaving::of([$position => $quantity] + $part->leaving->quantities, $part->leaving->serials);

            return $part->leaving($leaving)->paying($this->due($of, $leaving, $slip, $act));
        });
    }

    /** @throws Refused bad_serial, serial_twice */
    public function serials(string $slipKey, Act $act, int $order, int $position, string $typed): Slip
    {
        $serials = Serials::read($typed);

        return $this->change($slipKey, $act, $order, static fn (OrderPart $part): OrderPart => $part->leaving(
            Leaving::of($part->leaving->quantities, [$position => $serials] + $part->leaving->serials),
        ));
    }

    public function drop(string $slipKey, Act $act, int $order): Slip
    {
        return $this->change($slipKey, $act, $order, static fn (): null => null);
    }

    /** What is due for what leaves, beyond the deposit; of an order that is charged nothing. */
    private function due(Order $order, Leaving $leaving, Slip $slip, Act $act): Money
    {
        $zero = $this->house->money(0);

        return $order->is_charged || $leaving->isEmpty() ? $zero : $this->supply
            ->total($order, $leaving, $act->postedAt($slip))
            ->minus($order->held())
            ->orNothing();
    }

    /** @param  Closure(OrderPart, Slip): (OrderPart|null)  $do */
    private function change(string $slipKey, Act $act, int $order, Closure $do): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $order, $do): void {
            $this->desk->redraw($slip, $act);
            $parts = $slip->orderParts();
            $part = $parts[$order] ?? throw Refused::because('not_there', 'This order is not on the slip any more.');
            $changed = $do($part, $slip);
            unset($parts[$order]);
            $this->keep($slip, $changed === null ? $parts : $parts + [$order => $changed]);
        });
    }

    /** @param  array<int, OrderPart>  $parts */
    private function keep(Slip $slip, array $parts): void
    {
        ksort($parts);
        $slip->keepParts(
            PartKind::Order,
            array_values(array_map(static fn (OrderPart $part): array => $part->kept(), $parts)),
        );
    }
}
