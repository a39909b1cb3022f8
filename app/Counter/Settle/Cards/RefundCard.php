<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Cards\CardTill;
use Elmstone\Cards\SurchargePaid;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Post\Steps\PostCredit;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\MoneyOut\Way;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approve;
use Elmstone\Support\Show;

/**
 * Money back to the card it came from, by the terminal, against the authorisation it was taken by. Whatever hinders it,
 * limits, policy and what other slips are paying back among it, is decided before the terminal is asked, as if it had
 * been paid already.
 */
final class RefundCard
{
    /** What is settled only when all ways are chosen, and so hinders posting and not the terminal. */
    private const LATER = ['refund_left', 'reference_missing', 'mail_to', 'cheque_number', 'outstanding'];

    public function __construct(
        private readonly SlipDesk $desk,
        private readonly CardTill $cards,
        private readonly House $house,
        private readonly CardsOnSlip $onSlip,
        private readonly PostCredit $credit,
        private readonly Approve $approve,
    ) {
    }

    /**
     * @param  Money|null  $amount null: all that is left, as far as it can go to this card
     * @param  int|null  $seen how many questions the page showed; null: not said
     * @param  bool  $more whether a second payment to the same card is meant on purpose
     *
     * @throws Refused not_that_way, card_unknown, card_again, reserved_elsewhere, and whatever needs approval
     */
    public function handle(
        string $slipKey,
        Act $act,
        string $authorisation,
        ?Money $amount,
        ?int $seen = null,
        bool $more = false,
    ): Slip {
        $request = null;
        $slip = $this->desk->change(
            $slipKey,
            $act,
            function (Slip $slip) use ($act, $authorisation, $amount, $seen, $more, &$request): void {
                $this->credit->lockLines($slip);
                $this->credit->lockOriginals($slip);
                $this->desk->redraw($slip, $act);

                if ($seen !== null && $seen < $slip->cards->count()) {
                    return;
                }

                [$asked, $surcharge] = $this->askable($slip, $act, $authorisation, $amount, $more);
                $request = $this->cards->write(
                    $slip->cardSubject(),
                    $act->till,
                    $act->by,
                    $asked->plus($surcharge),
                    $authorisation,
                );
                $request->update(['surcharge_total' => $surcharge]);
            },
            evenVoid: true,
        );

        if ($request === null) {
            return $slip;
        }

        $this->cards->ask($request);

        return $this->onSlip->drawn($slipKey, $act);
    }

    /** @return array{Money, Money} what goes back of what it paid, and of what paying by it cost */
    private function askable(Slip $slip, Act $act, string $authorisation, ?Money $amount, bool $more): array
    {
        $reckoned = ReckonedCounter::of($slip, $this->house);
        $ways = $reckoned->refund ?? throw Refused::because('nothing_back', 'Nothing comes back on this slip.');
        $way = Way::of(TenderKind::Card, $authorisation)->key();
        $gone = $ways->wanted()[$way] ?? $this->house->money(0);
        $most = Money::min($ways->left(), $ways->most($way)->minus($gone));
        // A sale that is taken back whole takes its surcharge back as a line of its own.
        $bore = $slip->void_of_id === null ? SurchargePaid::of($authorisation) : null;
        $most = $bore === null ? $most : Money::min($most, $bore->most());

        match (true) {
            $reckoned->unknownCard() !== null => throw Refused::because(
                'card_unknown',
                'The outcome of the card before is not known yet. Ask the terminal again first.',
            ),
            $most->isPositive() && $gone->isPositive() && ! $more => throw Refused::because(
                'card_again',
                Show::money($gone).' went back to this card already. Press “More to this card” to pay more.',
            ),
            default => null,
        };

        foreach ($reckoned->back?->hindrances() ?? [] as $hindrance) {
            throw $hindrance;
        }

        $ask = $amount ?? $most;

        match (true) {
            ! $most->isPositive() => throw Refused::because('not_that_way', 'Nothing more can go back to this card.'),
            $ask->exceeds($most) => throw Refused::because(
                'not_that_way',
                'At most '.Show::money($most).' can go back to this card.',
            ),
            ! $ask->isPositive() => throw Refused::because('bad_amount', 'Type what goes back without a minus sign.'),
            default => null,
        };
        $surcharge = $bore?->with($ask) ?? $this->house->money(0);
        $this->assertAllowed($slip, $act, $authorisation, $ask, $surcharge);

        return [$ask, $surcharge];
    }

    /** As if it had been paid: what would hinder posting then hinders asking now. */
    private function assertAllowed(
        Slip $slip,
        Act $act,
        string $authorisation,
        Money $amount,
        Money $surcharge,
    ): void {
        $cards = $slip->cards;
        $slip->setRelation(
            'cards',
            $cards->concat([
                new CardRequest([
                    'state' => CardState::Approved,
                    'asked' => $amount->plus($surcharge),
                    'approved' => $amount->plus($surcharge),
                    'surcharge_total' => $surcharge,
                    'against' => $authorisation,
                ]),
            ]),
        );
        $then = ReckonedCounter::of($slip, $this->house);
        $open = $then->needs->open();

        if ($open !== [] && $act->approval !== null) {
            $this->approve->all($act->approval, $act->by, $open, $slip->id);
            $then = ReckonedCounter::of($slip, $this->house);
        }

        $slip->setRelation('cards', $cards);

        foreach ($then->hindrances() as $hindrance) {
            in_array($hindrance->rule, self::LATER, true) || throw $hindrance;
        }
    }
}
