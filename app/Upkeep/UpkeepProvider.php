<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Route;
use Override;

/** How the house runs: backups, versions, what it measures of itself. */
final class UpkeepProvider extends RoomProvider
{
    #[Override]
    public function register(): void
    {
        // The same when the answer is given as when it was asked for.
        $this->app->scoped(TakeTime::class);
    }

    #[Override]
    protected function routes(): void
    {
        // A program has a token instead of a person, and a till of nobody's.
        Route::middleware(['web', MayMeasure::class])->get('/metrics', MetricsController::class)->name('metrics');
        parent::routes();
    }

    #[Override]
    protected function ownCommands(): array
    {
        return [NoteBackupCommand::class, CountsCommand::class];
    }
}
