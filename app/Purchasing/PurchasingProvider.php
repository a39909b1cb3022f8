<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Elmstone\Support\RoomProvider;

/** What is bought of suppliers: orders to them, what comes in, their invoices. */
final class PurchasingProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProvePurchasing::class], 'proofs');
    }
}
