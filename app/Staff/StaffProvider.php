<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\Settings;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Doors\RequireTill;
use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Route;

/** People, what they may do, and the doors: signing in, locks, the security log. */
final class StaffProvider extends RoomProvider
{
    public function register(): void
    {
        $this->shared(AtTill::class, StaffPlaces::class, Rights::class);
        $this->app->scoped(Limits::class);
        $this->app->resolving(Settings::class, static function (Settings $settings): void {
            $settings->with(Rights::TABLE);
            $settings->with(StaffPlaces::TABLE);
        });
    }

    public function boot(): void
    {
        Route::aliasMiddleware('till', RequireTill::class);

        foreach (Ability::cases() as $ability) {
            Gate::define($ability->value, static fn (Staff $staff): bool => $staff->mayDo($ability));
        }

        parent::boot();
    }

    protected function routes(): void
    {
        Route::middleware('web')->group(__DIR__.'/Doors/doors.php');
        parent::routes();
    }
}
