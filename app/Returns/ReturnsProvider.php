<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Support\RoomProvider;

/** What comes back, and by what rules. */
final class ReturnsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->scoped(Policies::class);
        $this->app->tag([ProveReturns::class], 'proofs');
    }
}
