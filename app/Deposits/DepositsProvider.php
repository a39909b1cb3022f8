<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Elmstone\Support\RoomProvider;

/** Money held as deposits. */
final class DepositsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->when(DepositMoney::class)->needs('$traces')->giveTagged('traces');
        $this->app->tag([ProveDeposits::class], 'proofs');
        $this->app->tag([DepositOnPaper::class], 'papers');
        $this->app->tag([MergeDeposits::class], 'merges');
        $this->app->tag([TakeBackDeposit::class], 'taken-back');
    }
}
