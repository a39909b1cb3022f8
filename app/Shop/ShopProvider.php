<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Core\Money\Currency;
use Elmstone\Support\RoomProvider;
use Illuminate\Contracts\Foundation\Application;

/** Settings, locations, tills, taxes. */
final class ShopProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->scoped(House::class);
        $this->app->bind(
            Currency::class,
            static fn (Application $app): Currency => $app->make(House::class)->currency(),
        );
    }
}
