<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Elmstone\Support\RoomProvider;

/** What is owed, paid in parts. */
final class PlansProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProvePlans::class], 'proofs');
        $this->app->tag([MergePlans::class], 'merges');
        $this->app->tag([DuePlans::class], 'due');
    }
}
