<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Cards\CardSurcharge;
use Elmstone\Cards\CardTill;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Devices\CardRead;
use Elmstone\KeptCards\AskedOnFile;
use Elmstone\KeptCards\CardOnFile;
use Elmstone\Shop\House;

/**
 * Money by card on a slip. One question at a time: it is written down before the terminal hears it, and a second one is
 * asked only on purpose. Whatever breaks in between, the slip knows that there is an outcome to be asked for, and the
 * card is never charged twice.
 */
final class TakeCard
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly CardTill $cards,
        private readonly CardsOnSlip $onSlip,
        private readonly ShowSurcharge $surcharge,
    ) {
    }

    /**
     * @param  Money|null  $amount null: all that is left
     * @param  int|null  $seen how many questions the page showed: asked again from the same page it is the same
     *     question; null: not said
     * @param  bool  $another whether a second card is meant on purpose
     * @param  AskedOnFile|null  $onFile one they left with the house; null: the one that is put in
     *
     * @throws Refused nothing_due, over_tendered, card_unknown, card_again, not_their_card, card_removed, card_ran_out
     */
    public function handle(
        string $slipKey,
        Act $act,
        ?Money $amount,
        ?int $seen = null,
        bool $another = false,
        ?AskedOnFile $onFile = null,
    ): Slip {
        $request = null;
        $slip = $this->desk->change($slipKey, $act, function (Slip $slip) use (
            $act,
            $amount,
            $seen,
            $another,
            $onFile,
            &$request,
        ): void {
            $this->desk->redraw($slip, $act);

            if ($seen !== null && $seen < $slip->cards->count()) {
                return;
            }

            $paid = $another
                ? null
                : $slip->cards->first(static fn (CardRequest $card): bool => ! $card->isBack() && $card->state->pays());
            $paid === null
                || throw Refused::because(
                    'card_again',
                    "A card has paid {$paid->approved->toString()} already. Press “Another card” to ask for more.",
                );
            $this->surcharge->drop($slip);
            $card = $onFile === null ? null : CardOnFile::usable($onFile->card, $slip->customer_id);
            $request = $this->cards->write(
                $slip->cardSubject(),
                $act->till,
                $act->by,
                $this->onSlip->askable($slip, $amount),
                state: CardSurcharge::isAskedAt($slip->location_id) ? CardState::Read : CardState::Asked,
            );
            $onFile === null || $request->update($onFile->columns());
            $read = $card === null ? null : new CardRead($card->card_type, $card->last_four);
            $read === null || $request->state === CardState::Asked || $this->seen($slip, $act, $request, $read);
        });

        if ($request === null) {
            return $slip;
        }

        $request->state === CardState::Read && $request->read_as === '' && $this->read($slipKey, $act, $request);

        return $this->asked($slipKey, $act, $request);
    }

    /** Asks what is to be asked now. Where what it costs is to be seen first, nothing. */
    private function asked(string $slipKey, Act $act, CardRequest $request): Slip
    {
        $token = $request->on_file_id === null ? null : CardOnFile::query()->whereKey($request->on_file_id)
            ->value('token');

        if ($request->state === CardState::Asked) {
            $this->cards->ask($request, is_string($token) ? $token : '');
        }

        return $this->onSlip->drawn($slipKey, $act);
    }

    /** Which card it is decides what paying by it costs: the terminal reads it, and is not asked yet. */
    private function read(string $slipKey, Act $act, CardRequest $request): void
    {
        $read = $this->cards->read($request);
        $this->desk->change($slipKey, $act->then('read'), function (Slip $slip) use ($act, $read, $request): void {
            $this->desk->redraw($slip, $act);
            $this->seen($slip, $act, $request->refresh(), $read);
        });
    }

    /** Where it costs something, that is in sight before it is asked. Within a change of the slip. */
    private function seen(Slip $slip, Act $act, CardRequest $request, ?CardRead $read): void
    {
        $this->surcharge->put($slip, $request, $request->asked, $read);
        $request->surcharge->isZero() && $this->cards->goAhead($request, $act->by);
    }

    /**
     * Asks the card that was read, with what it costs; or without, where that is let off. Where the sum has changed
     * meanwhile, it is shown again instead.
     *
     * @throws Refused nothing_due, over_tendered, card_unknown, and where nobody has allowed it, surcharge_off
     */
    public function confirm(string $slipKey, Act $act, int $cardId, bool $lettingOff = false): Slip
    {
        $request = null;
        $slip = $this->desk->change($slipKey, $act, function (Slip $slip) use (
            $act,
            $cardId,
            $lettingOff,
            &$request,
        ): void {
            $this->desk->redraw($slip, $act);
            $card = $slip->cards()->with('till')->lockForUpdate()->findOrFail($cardId);

            if ($card->state !== CardState::Read) {
                return;
            }

            $seen = [$card->surcharge, $card->asked];
            $card->on_file_id === null || CardOnFile::usable($card->on_file_id, $slip->customer_id);
            $lettingOff && $this->surcharge->assertMayLetOff($slip, $act, $card);
            $ask = $this->onSlip->askable($slip, $card->asked->minus($card->surcharge_total));
            $this->surcharge->put($slip, $card, $ask);

            if ($lettingOff) {
                $this->surcharge->letOff($card);
            } elseif (! $card->surcharge->equals($seen[0]) || ! $card->asked->equals($seen[1])) {
                $slip->said = 'What the card costs has changed with the slip. Look at it again, then ask.';

                return;
            }

            $this->cards->goAhead($card, $act->by);
            $request = $card;
        });

        return $request === null ? $slip : $this->asked($slipKey, $act, $request);
    }

    /** Asks its terminal again what became of a card whose outcome is unknown. */
    public function askAgain(string $slipKey, Act $act, int $cardId): Slip
    {
        $this->cards->askAgain($this->onSlip->find($slipKey, $cardId));

        return $this->onSlip->drawn($slipKey, $act);
    }
}
