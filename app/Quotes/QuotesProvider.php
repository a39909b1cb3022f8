<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Elmstone\Support\RoomProvider;

/** Priced offers whose prices hold until a day. */
final class QuotesProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->tag([ProveQuotes::class], 'proofs');
    }
}
