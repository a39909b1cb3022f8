<?php

declare(strict_types=1);

namespace Elmstone\Coupons;

use Elmstone\Support\RoomProvider;

/** Coupons. */
final class CouponsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveCoupons::class], 'proofs');
    }
}
