<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Core\Money\Currency;
use Elmstone\Support\RoomProvider;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Routing\Events\Routing;
use Illuminate\Support\Facades\Event;

/** Settings, locations, tills, taxes. */
final class ShopProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->singleton(Settings::class);
        $this->app->when(Morning::class)->needs('$all')->giveTagged('mornings');
        $this->app->scoped(
            House::class,
            static fn (Application $app): House => new House($app->make(Settings::class)->shop(...)),
        );
        $this->app->bind(
            Currency::class,
            static fn (Application $app): Currency => $app->make(House::class)->currency(),
        );
    }

    public function boot(): void
    {
        Event::listen(Routing::class, fn () => $this->app->make(Settings::class)->forget());
        parent::boot();
    }
}
