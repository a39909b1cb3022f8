<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Blade;

/** Cards that customers leave with the house. */
final class KeptCardsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([KeptCardData::class], 'personal-data');
        $this->app->tag([MergeCards::class], 'merges');
    }

    public function boot(): void
    {
        parent::boot();
        Blade::component('cards-on-file', OnFile::class);
    }
}
