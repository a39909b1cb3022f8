<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Counter\Page\InSight;
use Elmstone\Counter\Post\FinishSale;
use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Route;

/** The counter page. */
final class CounterProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([FinishSale::class], 'senders');
    }

    public function boot(): void
    {
        Route::aliasMiddleware('in-sight', InSight::class);
        parent::boot();
    }
}
