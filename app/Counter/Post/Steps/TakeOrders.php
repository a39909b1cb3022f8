<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Orders\TakeOrder;

/** A slip that becomes an order: its goods are set aside as far as they are there, the rest waits. */
final readonly class TakeOrders extends Step
{
    public function __construct(private TakeOrder $take)
    {
    }

    public function post(SlipPosting $posting): void
    {
        if ($posting->slip()->becomes !== Becomes::Order) {
            return;
        }

        $order = $posting->reckoned->order()?->newOrder()
            ?? throw Refused::because('not_held', 'This slip is not to become an order.');
        $posting->order = $this->take->handle($order, $order->isCharged ? $posting->account : null);
    }
}
