<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Devices\CardTerminal;
use Elmstone\Foundation\Show;
use Elmstone\Returns\OriginMoney;
use Elmstone\Shop\House;

/**
 * Money back to the card it came from, by the terminal, against the authorisation it was taken by. Written down before the terminal is asked, and its answer afterwards.
 */
final class RefundCard
{
    public function __construct(private readonly SlipDesk $desk, private readonly CardTerminal $terminal, private readonly House $house, private readonly TakeCard $cards)
    {
    }

    /**
     * @param  Money|null  $amount null: all that is left, as far as it can go to this card
     *
     * @throws Refused not_that_way, card_unknown, nothing_due
     */
    public function handle(string $slipKey, Act $act, string $authorisation, ?Money $amount): Slip
    {
        $card = null;
        $slip = $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $authorisation, $amount, &$card): void {
            $this->desk->redraw($slip, $act);
            $card = $slip->cards()->create([
                'key' => $act->key, 'till_id' => $act->till->id, 'asked' => $this->askable($slip, $authorisation, $amount)->minor, 'state' => CardState::Asked, 'against' => $authorisation,
            ]);
        });

        return $card === null ? $slip : $this->cards->heard($slipKey, $act, $card, $this->terminal->refund($act->till, $card->key, $this->house->money($card->asked), $authorisation));
    }

    private function askable(Slip $slip, string $authorisation, ?Money $amount): Money
    {
        $reckoned = ReckonedCounter::of($slip, $this->house);
        $ways = $reckoned->refund ?? throw Refused::because('nothing_back', 'Nothing comes back on this slip.');
        $way = OriginMoney::way('card', $authorisation);
        $most = Money::min($ways->left(), $ways->most($way)->minus($ways->wanted()[$way] ?? $this->house->money(0)));

        foreach ($reckoned->back?->hindrances() ?? [] as $hindrance) {
            throw $hindrance;
        }

        return match (true) {
            $reckoned->unknownCard() !== null => throw Refused::because('card_unknown', 'The outcome of the card before is not known yet. Ask the terminal again first.'),
            ! $most->isPositive() => throw Refused::because('not_that_way', 'Nothing more can go back to this card.'),
            $amount?->exceeds($most) === true => throw Refused::because('not_that_way', 'At most '.Show::money($most).' can go back to this card.'),
            $amount?->isPositive() === false => throw Refused::because('bad_amount', 'Type what goes back without a minus sign.'),
            default => $amount ?? $most,
        };
    }
}
