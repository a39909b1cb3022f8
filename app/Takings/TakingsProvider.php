<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Elmstone\Support\RoomProvider;

/** A day’s sales entered at its end: from a pad, or rung up elsewhere. */
final class TakingsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveTakings::class], 'proofs');
    }
}
