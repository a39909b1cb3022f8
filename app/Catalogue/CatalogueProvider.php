<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Catalogue\Markdowns\Proposals;
use Elmstone\Catalogue\Markdowns\ProposeCommand;
use Elmstone\Catalogue\Tables\ItemsTable;
use Elmstone\Support\RoomProvider;

/** Items and their prices. */
final class CatalogueProvider extends RoomProvider
{
    public function register(): void
    {
        $this->shared(StockLedger::class, Serials::class, Commitments::class);
        $this->app->tag([AttachToItem::class], 'attachables');
        $this->app->tag([Proposals::class], 'mornings');
        $this->app->tag([ItemsTable::class], 'tables');
    }

    protected function ownCommands(): array
    {
        return [ProposeCommand::class];
    }
}
