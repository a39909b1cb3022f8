<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Elmstone\MoneyOut\OntoCards;
use Elmstone\Support\RoomProvider;

/** Gift cards. */
final class GiftCardsProvider extends RoomProvider
{
    public function register(): void
    {
        $this->app->scoped(OntoCards::class, PayOntoCards::class);
        $this->app->tag([ProveGiftCards::class], 'proofs');
        $this->app->tag([GiftCardOnPaper::class], 'papers');
        $this->app->tag([GiftCardOnPaper::class], 'forgetful');
        $this->app->tag([TakeBackCards::class], 'taken-back');
    }
}
