<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Layaways\Pages\DueLayaways;
use Elmstone\Support\RoomProvider;

/** Goods set aside and paid over time. */
final class LayawaysProvider extends RoomProvider
{
    public function register(): void
    {
        $this->shared(LayawayLedger::class);
        $this->app->tag([ProveLayaways::class], 'proofs');
        $this->app->tag([LayawayOnPaper::class], 'papers');
        $this->app->tag([DueLayaways::class], 'due');
        $this->app->tag([InstalmentHabits::class], 'payers');
        $this->app->tag([TakeBackPayment::class], 'taken-back');
    }
}
