<?php

declare(strict_types=1);

namespace Elmstone\Work;

use Elmstone\Support\RoomProvider;

/** What is done beside the pages. */
final class WorkProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->when(WorkQueue::class)->needs('$workers')->giveTagged('works');
    }
}
