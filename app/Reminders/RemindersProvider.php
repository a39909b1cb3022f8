<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Elmstone\Support\RoomProvider;

/** What is said before and after a due day. */
final class RemindersProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->when(DueController::class)->needs('$rooms')->giveTagged('due');
    }

    protected function ownCommands(): array
    {
        return [SendRemindersCommand::class];
    }
}
