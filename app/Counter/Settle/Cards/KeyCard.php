<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approve;

/** A payment by card that its issuer allowed by voice. */
final readonly class KeyCard
{
    public function __construct(
        private SlipDesk $desk,
        private CardsOnSlip $onSlip,
        private House $house,
        private Approve $approve,
    ) {
    }

    /**
     * Keys in a payment that was authorised by voice while the terminal was off line. Beyond what somebody may, another
     * has to allow it.
     *
     * @throws Refused bad_authorisation, over_tendered, card_off_line
     */
    public function handle(string $slipKey, Act $act, int $cardId, string $authorisation, string $lastFour): Slip
    {
        if (preg_match('/^[A-Za-z0-9]{4,12}$/D', $authorisation) !== 1 || preg_match('/^\d{4}$/D', $lastFour) !== 1) {
            throw Refused::because(
                'bad_authorisation',
                'Type the voice code (4 to 12 letters and digits) and the card’s last four digits. Never the whole '
                    .'number.',
            );
        }

        return $this->desk->change($slipKey, $act, function (Slip $slip) use (
            $act,
            $cardId,
            $authorisation,
            $lastFour,
        ): void {
            $card = $slip->cards()->where('state', CardState::OffLine)->where('against', '')->findOrFail($cardId);
            $this->onSlip->askable($slip, $card->asked->minus($card->surcharge_total));
            $card->update([
                'state' => CardState::Keyed,
                'approved' => $card->asked,
                'authorisation' => $authorisation,
                'last_four' => $lastFour,
                'card_type' => 'keyed',
            ]);
            $this->desk->redraw($slip, $act);
            $needs = ReckonedCounter::of($slip, $this->house)->needs->open("card.{$cardId}");

            if ($needs !== []) {
                $act->approval === null
                    ? throw $needs[0]->refused
                    : $this->approve->all($act->approval, $act->by, $needs, $slip->id);
            }
        });
    }
}
