<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Elmstone\Support\RoomProvider;

/** Credit that buys goods. */
final class StoreCreditProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveStoreCredit::class], 'proofs');
        $this->app->tag([StoreCreditOnPaper::class], 'papers');
        $this->app->tag([MergeStoreCredit::class], 'merges');
    }
}
