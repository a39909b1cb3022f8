<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\TerminalAnswer;
use Elmstone\Devices\TerminalOutcome;
use Elmstone\Shop\House;
use Illuminate\Support\Str;

/**
 * Money by card. The request is written down before the terminal is asked and its answer afterwards, so that whatever breaks in between,
 * the slip knows that there is an outcome to be asked for and the card is never charged twice.
 */
final class TakeCard
{
    public function __construct(private readonly SlipDesk $desk, private readonly CardTerminal $terminal, private readonly House $house)
    {
    }

    /**
     * @param  Money|null  $amount null: all that is left
     *
     * @throws Refused nothing_due, over_tendered, card_unknown
     */
    public function handle(string $slipKey, Act $act, ?Money $amount): Slip
    {
        $card = null;
        $slip = $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $amount, &$card): void {
            $card = $slip->cards()->create([
                'key' => $act->key,
                'till_id' => $act->till->id,
                'asked' => $this->askable($slip, $amount)->minor,
                'state' => CardState::Asked,
            ]);
        });

        return $card === null ? $slip : $this->heard($slipKey, $act, $card, $this->terminal->take($act->till, $card->key, $this->house->money($card->asked)));
    }

    /** Asks the terminal again what became of a card whose outcome is unknown. */
    public function askAgain(string $slipKey, Act $act, int $cardId): Slip
    {
        $card = $this->card($slipKey, $cardId);

        return $card->state === CardState::Asked ? $this->heard($slipKey, $act, $card, $this->terminal->ask($act->till, $card->key, $this->house->money($card->asked))) : $this->desk->read($slipKey, $act);
    }

    /**
     * Keys in a payment that was authorised by voice while the terminal was off line.
     *
     * @throws Refused bad_authorisation, over_tendered
     */
    public function key(string $slipKey, Act $act, int $cardId, string $authorisation, string $lastFour): Slip
    {
        if (preg_match('/^[A-Za-z0-9]{4,12}$/D', $authorisation) !== 1 || preg_match('/^\d{4}$/D', $lastFour) !== 1) {
            throw Refused::because('bad_authorisation', 'Type the voice code (4 to 12 letters and digits) and the card’s last four digits. Never the whole number.');
        }

        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($cardId, $authorisation, $lastFour): void {
            $card = $slip->cards()->where('state', CardState::OffLine)->findOrFail($cardId);
            $this->askable($slip, $this->house->money($card->asked));
            $card->update(['state' => CardState::Keyed, 'approved' => $card->asked, 'authorisation' => $authorisation, 'last_four' => $lastFour, 'card_type' => 'keyed']);
        });
    }

    /**
     * Gives an approved payment back before the sale is posted.
     *
     * @throws Refused terminal_off_line
     */
    public function giveBack(string $slipKey, Act $act, int $cardId): Slip
    {
        $taken = false;
        $slip = $this->desk->change($slipKey, $act, static function (Slip $slip) use ($cardId, &$taken): void {
            $card = $slip->cards()->findOrFail($cardId);
            $taken = in_array($card->state, [CardState::Approved, CardState::GivingBack], true);
            $card->update(['state' => $taken ? CardState::GivingBack : CardState::GivenBack]);
        });

        if (! $taken) {
            return $slip;
        }

        $offLine = $this->terminal->giveBack($act->till, $this->card($slipKey, $cardId)->key)->outcome === TerminalOutcome::OffLine;
        $slip = $this->desk->change($slipKey, $this->note($act), static fn (Slip $slip) => $slip->cards()->whereKey($cardId)->update(['state' => $offLine ? CardState::Approved : CardState::GivenBack]));

        return $offLine ? throw Refused::because('terminal_off_line', 'The terminal is off line, so the card cannot be given its money back now.') : $slip;
    }

    /** @throws Refused nothing_due, over_tendered, card_unknown */
    private function askable(Slip $slip, ?Money $amount): Money
    {
        $reckoned = ReckonedCounter::of($slip->load('lines.item', 'cards'), $this->house);

        if ($reckoned->unknownCard() !== null) {
            throw Refused::because('card_unknown', 'The outcome of the card before is not known yet. Ask the terminal again first.');
        }

        $left = $reckoned->dueInCash();
        $ask = $amount ?? Money::min($left, $reckoned->outstanding());

        return match (true) {
            ! $ask->isPositive() => throw Refused::because('nothing_due', 'There is nothing left to pay by card.'),
            $ask->exceeds($left) => throw Refused::because('over_tendered', "Only {$left->toString()} is left to pay; a card gives no change."),
            default => $ask,
        };
    }

    /** Writes down what the terminal said of a card that was asked for, to pay or to be paid back. */
    public function heard(string $slipKey, Act $act, CardPayment $card, TerminalAnswer $answer): Slip
    {
        return $this->desk->change($slipKey, $this->note($act), static fn (Slip $slip) => $slip->cards()->where('state', CardState::Asked)->whereKey($card->id)->update(match ($answer->outcome) {
            TerminalOutcome::Approved => [
                'state' => CardState::Approved,
                'approved' => $answer->approved->minor ?? 0,
                'card_type' => $answer->cardType,
                'last_four' => $answer->lastFour,
                'authorisation' => $answer->authorisation,
            ],
            TerminalOutcome::Declined => ['state' => CardState::Declined, 'reason' => $answer->reason],
            TerminalOutcome::OffLine => ['state' => CardState::OffLine],
            TerminalOutcome::Unknown => ['reason' => 'No answer from the terminal.'],
        }));
    }

    /** The act that writes down what the terminal said. */
    private function note(Act $act): Act
    {
        return new Act((string) Str::uuid(), $act->by, $act->till, null);
    }

    private function card(string $slipKey, int $cardId): CardPayment
    {
        return CardPayment::query()->whereKey($cardId)->whereIn('slip_id', Slip::query()->where('key', $slipKey)->select('id'))->firstOrFail();
    }
}
