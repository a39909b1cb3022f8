<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Elmstone\Support\RoomProvider;

/** Who sold what, and the commission on it. */
final class SharesProvider extends RoomProvider
{
    public function register(): void
    {
        $this->shared(ShareLedger::class);
        $this->app->scoped(Sharings::class);
        $this->app->tag([ProveShares::class], 'proofs');
    }
}
