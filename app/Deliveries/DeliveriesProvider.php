<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Elmstone\Support\RoomProvider;

/** What the shop brings with lorries of its own. */
final class DeliveriesProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveStops::class], 'proofs');
    }
}
