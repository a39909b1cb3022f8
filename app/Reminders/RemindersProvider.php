<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Elmstone\Support\RoomProvider;

/** What is said before and after a due day. */
final class RemindersProvider extends RoomProvider
{
    protected function ownCommands(): array
    {
        return [SendRemindersCommand::class];
    }
}
