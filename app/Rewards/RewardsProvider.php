<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Elmstone\Support\RoomProvider;
use Illuminate\Support\Facades\Blade;

/** Points for what is bought, and store credit for points. */
final class RewardsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->scoped(RewardTerms::class);
        $this->app->tag([CollectPoints::class], 'follows-sales');
        $this->app->tag([GrantRewards::class], 'senders');
        $this->app->tag([MergeRewards::class], 'merges');
        $this->app->tag([RewardsOnPaper::class], 'papers');
        $this->app->tag([ProveRewards::class], 'proofs');
        $this->app->tag([ExpirePoints::class, FillRewards::class], 'mornings');
    }

    public function boot(): void
    {
        parent::boot();
        Blade::component('rewards', Member::class);
    }

    protected function ownCommands(): array
    {
        return [ExpireCommand::class];
    }
}
