<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Paper\OffersLinks;
use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\View;
use Illuminate\View\View as Page;

/** Paying by a link on a paper or in a mail. */
final class PayLinksProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->bind(OffersLinks::class, Links::class);
        $this->app->tag([LinkOnPaper::class], 'papers');
        $this->app->tag([ProveLinks::class], 'proofs');
    }

    public function boot(): void
    {
        parent::boot();
        // How many came that nobody has seen, beside the way to them.
        View::composer('design.second', static fn (Page $row): Page => $row->with('waits', [
            ...(array) ($row->getData()['waits'] ?? []),
            'link-payments' => request()->routeIs('accounts*', 'link-payments*', 'bank*', 'statements*')
                ? LinkPayment::unseen() : 0,
        ]));
    }

    protected function routes(): void
    {
        parent::routes();
        // Who pays does not sign in.
        Route::middleware('web')->group(__DIR__.'/public.php');
    }
}
