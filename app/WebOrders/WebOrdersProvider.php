<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Support\RoomProvider;
use Elmstone\WebOrders\Address\KnowSender;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\View;
use Illuminate\View\View as Page;

/** Orders that programs send: by an address, a folder, a file. */
final class WebOrdersProvider extends RoomProvider
{
    /** Pages where it is said how many wait. */
    private const BESIDE = ['orders*', 'web-orders*', 'quotes*', 'deliveries*', 'layaways*'];

    public function register(): void
    {
        $this->app->tag([ProveWebOrders::class], 'proofs');
    }

    public function boot(): void
    {
        parent::boot();
        // How many wait for somebody, beside the way to them.
        View::composer('design.second', static fn (Page $row): Page => $row->with('waits', [
            'web-orders' => request()->routeIs(...self::BESIDE)
                ? WebOrder::query()->where('state', WebOrderState::Look)->count()
                : 0,
        ]));
    }

    protected function routes(): void
    {
        parent::routes();
        // No session, no cookies, no forms: a token with each request.
        Route::middleware([KnowSender::class, SubstituteBindings::class])->group(__DIR__.'/address.php');
    }

    protected function ownCommands(): array
    {
        return [Folder\ReadCommand::class];
    }
}
