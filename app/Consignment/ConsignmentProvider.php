<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Elmstone\Support\RoomProvider;

/** Goods that belong to others until they are sold. */
final class ConsignmentProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveConsignment::class], 'proofs');
        $this->app->tag([OwnerLabels::class], 'label-lists');
    }
}
