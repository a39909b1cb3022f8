<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;

/** What a slip pays with of money held: deposits, store credit, gift cards. */
final readonly class HeldUsed
{
    public function __construct(private Slip $slip, private House $house)
    {
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        return [...$this->ofDeposits(), ...$this->ofStoreCredit(), ...$this->ofCards()];
    }

    /** @return list<Refused> */
    private function ofDeposits(): array
    {
        $held = $this->slip->deposits?->total() ?? $this->house->money(0);

        return $this->slip->deposit_used?->exceeds($held) === true
            ? [Refused::because('over_deposit', "Only {$held->toString()} is held for them in deposits.")]
            : [];
    }

    /** @return list<Refused> */
    private function ofStoreCredit(): array
    {
        $theirs = $this->slip->storeCredit ?? $this->house->money(0);

        return $this->slip->store_credit_used?->exceeds($theirs) === true
            ? [Refused::because('over_store_credit', "Only {$theirs->toString()} of store credit is theirs.")]
            : [];
    }

    /** @return list<Refused> */
    private function ofCards(): array
    {
        $found = [];

        foreach ($this->slip->cardsUsed() as $card) {
            $known = $this->slip->giftCards[$card->code] ?? null;
            $hindrance = $known === null ? 'was replaced by another' : $known->hindrance($this->slip->day());

            if ($hindrance !== '' || $known === null) {
                $found[] = Refused::because('card_unusable', "Gift card {$card->words()} {$hindrance}.");
            } elseif ($card->amount->exceeds($known->balance())) {
                $found[] = Refused::because(
                    'over_gift_card',
                    "Gift card {$card->words()} is worth {$known->balance()->toString()} now.",
                );
            }
        }

        return $found;
    }
}
