<?php

declare(strict_types=1);

namespace Elmstone\Orders\Waiting;

use Elmstone\Orders\Order;
use Elmstone\Orders\OrderPaper;
use Elmstone\Paper\Outgoing;
use Elmstone\Paper\Sends;
use Elmstone\Purchasing\Receiving\Received;

/** Goods came in and were set aside for orders: each gets its label, and the customer a notice. */
final class TellArrived implements Sends
{
    public function __construct(private readonly OrderPaper $paper)
    {
    }

    public function sends(): array
    {
        return [Received::WHAT];
    }

    public function mayWait(string $what): bool
    {
        return true;
    }

    public function send(Outgoing $outgoing): void
    {
        foreach (Order::query()->whereKey(Received::of((int) $outgoing->document_id)->agreements())->get() as $order) {
            $this->paper->printLabel($order, $outgoing->till);
            $this->paper->mailReady($order);
        }
    }
}
