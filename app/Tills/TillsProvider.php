<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Sessions;
use Elmstone\Support\RoomProvider;
use Elmstone\Tills\Days\ProveDays;
use Elmstone\Tills\Safe\ProveSafe;

/** Sessions of drawers, the safe and what goes to the bank, days and months that close. */
final class TillsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->bind(Sessions::class, OpenSessions::class);
        $this->app->tag([ProveTills::class, ProveSafe::class, ProveDays::class], 'proofs');
        $this->app->when(OpenMatters::class)->needs('$known')->giveTagged('still-open');
    }
}
