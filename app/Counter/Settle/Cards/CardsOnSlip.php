<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Shop\House;
use Illuminate\Support\Str;

/** The cards of a slip: how much one may be asked for, and how the slip stands when a terminal has answered. */
final readonly class CardsOnSlip
{
    public function __construct(private SlipDesk $desk, private House $house)
    {
    }

    /** As it stands after a terminal has answered. */
    public function drawn(string $slipKey, Act $act): Slip
    {
        try {
            return $this->desk->change(
                $slipKey,
                new Act((string) Str::uuid(), $act->by, $act->till, null),
                static fn (): null => null,
                evenVoid: true,
            );
        } catch (Refused) {
            // Posted, cleared or taken to another till meanwhile: the answer stands, and the page shows the slip as it
            // is.
            return $this->desk->read($slipKey, $act);
        }
    }

    /**
     * How much a card may be asked for: what is named, or all that is left.
     *
     * @throws Refused nothing_due, over_tendered, card_unknown
     */
    public function askable(Slip $slip, ?Money $amount): Money
    {
        $slip->load('lines.item', 'cards');
        // What a card that was only read would cost is no part of what is left.
        $slip->setRelation('cards', $slip->cards->reject(
            static fn (CardRequest $card): bool => $card->state === CardState::Read,
        ));
        $reckoned = ReckonedCounter::of($slip, $this->house);

        if ($reckoned->unknownCard() !== null) {
            throw Refused::because(
                'card_unknown',
                'The outcome of the card before is not known yet. Ask the terminal again first.',
            );
        }

        $left = $reckoned->due()->dueInCash();
        $ask = $amount ?? Money::min($left, $reckoned->outstanding());

        return match (true) {
            ! $ask->isPositive() => throw Refused::because('nothing_due', 'There is nothing left to pay by card.'),
            $ask->exceeds($left) => throw Refused::because(
                'over_tendered',
                "Only {$left->toString()} is left to pay; a card gives no change.",
            ),
            default => $ask,
        };
    }

    /** A card of this slip, at whichever till it was asked. */
    public function find(string $slipKey, int $cardId): CardRequest
    {
        return CardRequest::query()
            ->with('till')
            ->whereKey($cardId)
            ->where('subject', 'slip')
            ->whereIn('subject_id', Slip::query()->where('key', $slipKey)->select('id'))
            ->firstOrFail();
    }
}
