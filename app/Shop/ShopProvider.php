<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Support\RoomProvider;

/** Settings, locations, tills, taxes. */
final class ShopProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->scoped(House::class);
    }
}
