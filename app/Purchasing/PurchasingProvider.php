<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Purchasing\Transfers\ProveTransfers;
use Elmstone\Support\RoomProvider;

/**
 * What is bought of suppliers: orders to them, what comes in, their invoices; and what one location sends
 * to another.
 */
final class PurchasingProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProvePurchasing::class, ProveTransfers::class], 'proofs');
        $this->app->tag([PurchaseLabels::class], 'label-lists');
        $this->app->bind(OnTheirWay::class, GoodsOnTheirWay::class);
    }
}
