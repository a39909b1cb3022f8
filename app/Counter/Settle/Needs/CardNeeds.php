<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** Payments keyed in off line, and gift cards worth more, than somebody may. */
final class CardNeeds extends NeedsOf
{
    public function all(): array
    {
        return [...$this->ofKeyed(), ...$this->ofGiftCards()];
    }

    /** @return list<Need> payments keyed in off line beyond what somebody may */
    private function ofKeyed(): array
    {
        $needs = [];
        $keyed = $this->slip->cards->filter(
            static fn (CardRequest $card): bool => $card->state === CardState::Keyed && $card->document_id === null,
        );
        $most = $keyed->isEmpty()
            ? null
            : $this->limits->of($this->by()->roleHere(), LimitMatter::CardOffLine)->perDocument;
        $sum = Money::sum($keyed->pluck('approved'), $this->house->currency());

        if ($most === null || ! $sum->exceeds($most)) {
            return [];
        }

        foreach ($keyed as $card) {
            $scope = Scope::of(ApprovalKind::CardOffLine)
                ->naming('last_four', $card->last_four)
                ->naming('code', $card->authorisation)
                ->upTo('amount', $card->approved);
            $needs[] = new Need(
                "card.{$card->id}",
                $scope,
                Refused::because(
                    'card_off_line',
                    'More than '
                        .Show::money($most)
                        .' is keyed in off line. '
                        .$this->limits->whoMayApprove(LimitMatter::CardOffLine, $sum),
                ),
                Show::money($card->approved)
                    ." keyed off line, card ending {$card->last_four}, voice code {$card->authorisation}",
                LimitMatter::CardOffLine,
                $sum,
            );
        }

        return $needs;
    }

    /** @return list<Need> gift cards worth more than somebody may sell */
    private function ofGiftCards(): array
    {
        $needs = [];
        $most = $this->slip->cardsSold() === []
                ? null
                : $this->limits->of($this->by()->roleHere(), LimitMatter::GiftCardWorth)->perDocument;

        if ($most === null) {
            return [];
        }

        foreach ($this->slip->cardsSold() as $place => $card) {
            $had = $card->isNew ? null : $this->slip->worthOf($card->code);
            $worth = $had?->plus($card->amount) ?? $card->amount;

            if ($worth->exceeds($most)) {
                $scope = Scope::of(ApprovalKind::GiftCardWorth)
                    ->naming('card', $card->code === '' ? "new {$place}" : $card->code)
                    ->upTo('worth', $worth);
                $needs[] = new Need(
                    "gift-card.{$place}",
                    $scope,
                    Refused::because(
                        'gift_card_worth',
                        'A gift card is worth '
                            .Show::money($most)
                            .' at most. '
                            .$this->limits->whoMayApprove(LimitMatter::GiftCardWorth, $worth),
                    ),
                    'gift card worth '.Show::money($worth),
                    LimitMatter::GiftCardWorth,
                    $worth,
                );
            }
        }

        return $needs;
    }
}
