<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Blade;

/** Documents as people get them, and what must happen after posting. */
final class PaperProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->singleton(Outbox::class);
        $this->app->when(Outbox::class)->needs('$senders')->giveTagged('senders');
        $this->app->when(IssuePaper::class)->needs('$forgetful')->giveTagged('forgetful');
        $this->app->when(PaperData::class)->needs('$others')->giveTagged('papers');
        $this->app->tag([SignatureOnPaper::class], 'papers');
        $this->app->tag([HandOver::class, AskedPaper::class, OpenDrawer::class], 'senders');
    }

    public function boot(): void
    {
        // Most requests write nothing into it, and need none.
        $this->app->terminating(
            static fn () => app()->resolved(Outbox::class) && app(Outbox::class)->sendWritten(),
        );
        Blade::component('signature-of', SignatureOf::class);
        parent::boot();
    }

    protected function ownCommands(): array
    {
        return [Console\SendCommand::class, Console\BounceCommand::class];
    }
}
