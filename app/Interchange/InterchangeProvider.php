<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Interchange\Tables\TablesController;
use Elmstone\Interchange\Tables\TableWork;
use Elmstone\Support\RoomProvider;

/** Files in and out. */
final class InterchangeProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->when([TablesController::class, TableWork::class])->needs('$tables')->giveTagged('tables');
        $this->app->tag([TableWork::class], 'works');
    }
}
