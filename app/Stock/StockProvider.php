<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Catalogue\CostChanged;
use Elmstone\Stock\Tables\StockTable;
use Elmstone\Support\RoomProvider;

/** What comes in, is counted and is worth what. */
final class StockProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->bind(CostChanged::class, RevalueItem::class);
        $this->app->tag([ProveInventory::class], 'proofs');
        $this->app->tag([FindBySerial::class], 'finds');
        $this->app->tag([StockTable::class], 'tables');
    }
}
