<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Money;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Orders\OrderLedger;
use Elmstone\Shop\House;

/** What is paid at once on the order that is being made of the slip. */
final readonly class OrderDeposit implements TakesMoney
{
    public function __construct(private House $house, private OrderLedger $orders)
    {
    }

    public function due(Slip $slip): Money
    {
        return $slip->becomes === Becomes::Order
            ? $slip->promise->deposit ?? $this->house->money(0)
            : $this->house->money(0);
    }

    public function words(): string
    {
        return 'order deposit';
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
        return $reckoned->order()?->hindrances() ?? [];
    }

    public function enter(TakenIn $in): void
    {
        $made = $in->posting->order;
        $due = $this->due($in->slip());
        $made === null || $due->isZero() || $this->orders->pay($made, $in->receipt, $due, $in->day());
    }
}
