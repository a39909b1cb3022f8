<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Orders\OrderSource;

/** Proves the web orders: what was taken is one order of its own, what was not is none, and none is left half in. */
final class ProveWebOrders implements Check
{
    public function prove(Proof $proof): void
    {
        foreach (WebOrder::query()->with('order')->lazyById(500) as $web) {
            $isOrder = $web->order?->source === OrderSource::Web;
            $isOrder === ($web->state === WebOrderState::Taken)
                || $proof->fault("web order {$web->number} is {$web->state->words()}, which its order is not");
            $web->state === WebOrderState::Fresh && $proof->fault("web order {$web->number} was left half in");
            $proof->same("web order {$web->number}", 'what was sent', hash('sha256', $web->xml), $web->digest);
            $proof->checked('web orders that are orders, or none');
        }
    }
}
