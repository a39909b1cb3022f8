<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Elmstone\Support\RoomProvider;
use Override;

/** How the house runs: backups, versions, what it measures of itself. */
final class UpkeepProvider extends RoomProvider
{
    #[Override]
    protected function ownCommands(): array
    {
        return [NoteBackupCommand::class, CountsCommand::class];
    }
}
