<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Route;
use Override;

/** From empty to open, and all that can be set. */
final class SetupProvider extends RoomProvider
{
    protected function routes(): void
    {
        Route::middleware('web')->group(__DIR__.'/setup.php');
        parent::routes();
    }

    #[Override]
    protected function ownCommands(): array
    {
        return [InstallCommand::class];
    }
}
