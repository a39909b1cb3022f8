<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Cards\CardState;
use Elmstone\Cards\CardTill;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;

/** Money by card that is given back before its slip is posted. */
final readonly class GiveCardBack
{
    public function __construct(private SlipDesk $desk, private CardTill $cards, private CardsOnSlip $onSlip)
    {
    }

    /**
     * Has an approved payment, or one whose outcome is not known, reversed by its terminal before the slip is posted.
     * What never reached a terminal is dropped.
     *
     * @throws Refused terminal_off_line
     */
    public function handle(string $slipKey, Act $act, int $cardId): Slip
    {
        $before = null;
        $slip = $this->desk->change(
            $slipKey,
            $act,
            static function (Slip $slip) use ($cardId, &$before): void {
                $card = $slip->cards()->lockForUpdate()->findOrFail($cardId);
                $before = in_array($card->state, [CardState::Approved, CardState::Asked, CardState::GivingBack], true)
                    ? $card->state
                    : null;
                $to = match (true) {
                    $before !== null => CardState::GivingBack,
                    $card->state === CardState::Keyed, $card->state === CardState::OffLine => CardState::GivenBack,
                    $card->state === CardState::Read => CardState::Dropped,
                    default => $card->state,
                };
                $card->update(['state' => $to]);
            },
            evenVoid: true,
        );

        if ($before === null) {
            return $slip;
        }

        $this->cards->reverse($this->onSlip->find($slipKey, $cardId), $before);

        return $this->onSlip->drawn($slipKey, $act);
    }
}
