<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Elmstone\Support\RoomProvider;

/** The ledger as the accountant reads it: chart, trial balance, accounts, entries by hand, years. */
final class LedgerProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveYears::class], 'proofs');
    }
}
