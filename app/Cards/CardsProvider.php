<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Blade;

/** Questions to card terminals and their answers. */
final class CardsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveCards::class, ProveSurcharges::class], 'proofs');
    }

    public function boot(): void
    {
        parent::boot();
        Blade::component('cards-of', CardsOf::class);
    }
}
