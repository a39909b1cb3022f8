<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Support\RoomProvider;

/** Reports: one shape, many definitions. */
final class ReportsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveReports::class], 'proofs');
        $this->app->when(MoneyToCome::class)->needs('$rooms')->giveTagged('payers');
    }

    protected function ownCommands(): array
    {
        return [MailReportsCommand::class];
    }
}
