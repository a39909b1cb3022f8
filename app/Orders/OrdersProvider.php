<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Elmstone\Orders\Waiting\ServeWaiting;
use Elmstone\Orders\Waiting\TellArrived;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Support\RoomProvider;

/** Promises to supply: at the counter, by telephone, from the web. */
final class OrdersProvider extends RoomProvider
{
    public function register(): void
    {
        $this->shared(OrderLedger::class);
        $this->app->tag([AttachToOrder::class], 'attachables');
        $this->app->scoped(OrderTerms::class);
        $this->app->scoped(WaitsForGoods::class, ServeWaiting::class);
        $this->app->tag([ProveOrders::class], 'proofs');
        $this->app->tag([TakeBackOrderMoney::class], 'taken-back');
        $this->app->tag([TellArrived::class], 'senders');
    }
}
