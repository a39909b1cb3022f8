<?php

declare(strict_types=1);

namespace Elmstone\Held;

use Elmstone\Held\Cards\GiftCardLedger;
use Elmstone\Held\Cards\GiftCardOnPaper;
use Elmstone\Held\Cards\PayOntoCards;
use Elmstone\Held\Cards\ProveCardNumbers;
use Elmstone\Held\Cards\TakeBackCards;
use Elmstone\Held\Ledger\HeldData;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\HeldOnPaper;
use Elmstone\Held\Ledger\MergeHeld;
use Elmstone\Held\Ledger\ProveHeld;
use Elmstone\Held\Ledger\TakeBackDeposit;
use Elmstone\Held\PayOut\DepositMoney;
use Elmstone\Held\Tables\GiftCardsTable;
use Elmstone\MoneyOut\OntoCards;
use Elmstone\Support\RoomProvider;

/** Money held for others: deposits, layaway money, store credit, gift cards. */
final class HeldProvider extends RoomProvider
{
    public function register(): void
    {
        $this->shared(HeldLedger::class, GiftCardLedger::class);
        $this->app->tag([HeldData::class], 'personal-data');
        $this->app->tag([GiftCardsTable::class], 'tables');
        $this->app->when(DepositMoney::class)->needs('$traces')->giveTagged('traces');
        $this->app->scoped(OntoCards::class, PayOntoCards::class);
        $this->app->tag([ProveHeld::class, ProveCardNumbers::class], 'proofs');
        $this->app->tag([HeldOnPaper::class, GiftCardOnPaper::class], 'papers');
        $this->app->tag([GiftCardOnPaper::class], 'forgetful');
        $this->app->tag([MergeHeld::class], 'merges');
        $this->app->tag([TakeBackDeposit::class, TakeBackCards::class], 'taken-back');
    }
}
