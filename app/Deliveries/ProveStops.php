<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;

/** Proves the deliveries: each invoice of one is of its own order, and of no other stop. */
final class ProveStops implements Check
{
    public function prove(Proof $proof): void
    {
        $seen = [];

        foreach (Stop::query()->whereNotNull('document_id')->with(['order', 'document'])->lazyById(500) as $stop) {
            $proof->same(
                "stop {$stop->id}",
                'the order that its invoice is of',
                $stop->document->supplies ?? '',
                $stop->order->label,
            );
            isset($seen[$stop->document_id]) && $proof->fault("stop {$stop->id} has the invoice of another stop");
            $seen[$stop->document_id] = true;
            $proof->checked('deliveries with their invoices');
        }
    }
}
