<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Money;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\CardsOnSlip;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Cards\GiftCardLedger;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** Gift cards sold and topped up. */
final readonly class GiftCardsSold implements TakesMoney
{
    public function __construct(private House $house, private GiftCardLedger $cards)
    {
    }

    public function due(Slip $slip): Money
    {
        return $this->sum($slip->cardsSold());
    }

    public function words(): string
    {
        return 'gift cards';
    }

    public function alone(): string
    {
        return 'Sell gift card';
    }

    public function heldAs(): HeldKind
    {
        return HeldKind::GiftCard;
    }

    public function hindrances(ReckonedCounter $reckoned): array
    {
        $slip = $reckoned->slip;
        $found = [];

        foreach ($slip->cardsSold() as $card) {
            if ($card->code !== '' && ! $card->isNew && ($slip->giftCards[$card->code] ?? null)?->blocked !== false) {
                $found[] = Refused::because('card_unusable', "Gift card {$card->words()} is blocked or was replaced.");
            }
        }

        // What pays for gift cards is money: what is owed in goods buys goods.
        $goods = $reckoned->in()->minus($this->due($slip));
        $withCards = $this->sum($slip->cardsUsed())->plus($slip->store_credit_used ?? $this->house->money(0));

        if ($withCards->isPositive() && $this->due($slip)->isPositive() && $withCards->exceeds($goods)) {
            $found[] = Refused::because(
                'card_for_card',
                'A gift card is not bought with gift cards or store credit. They can pay '
                    .Show::money($goods)
                    .' here.',
            );
        }

        return $found;
    }

    /** @param  list<CardsOnSlip>  $cards */
    private function sum(array $cards): Money
    {
        return Money::sum(
            array_map(static fn (CardsOnSlip $card): Money => $card->amount, $cards),
            $this->house->currency(),
        );
    }

    public function enter(TakenIn $in): void
    {
        foreach ($in->slip()->cardsSold() as $sold) {
            $card = $sold->isNew || $sold->code === ''
                    ? $this->cards->issue($in->day(), $sold->brings())
                    : $in->slip()->giftCards[$sold->code];
            $this->cards->put($card, $in->receipt, $sold->amount, $in->day());
        }
    }
}
