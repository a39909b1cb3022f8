<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Blade;

/** Pictures and papers kept with customers, items, orders and documents. */
final class AttachmentsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->when(Attachables::class)->needs('$all')->giveTagged('attachables');
    }

    public function boot(): void
    {
        parent::boot();
        Blade::component('attached', Attached::class);
    }
}
