<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Sessions;
use Elmstone\Support\RoomProvider;

/** Sessions of drawers: float, reading, count, close. */
final class TillsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->bind(Sessions::class, OpenSessions::class);
        $this->app->tag([ProveTills::class], 'proofs');
    }
}
