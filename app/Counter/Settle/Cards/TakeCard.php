<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Cards\CardSurcharge;
use Elmstone\Cards\CardTill;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Devices\CardRead;
use Elmstone\KeptCards\AskedOnFile;
use Elmstone\KeptCards\CardOnFile;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approve;
use Illuminate\Support\Str;

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
        private readonly House $house,
        private readonly Approve $approve,
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
                $this->askable($slip, $amount),
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

        return $this->drawn($slipKey, $act);
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
            $this->surcharge->put($slip, $card, $this->askable($slip, $card->asked->minus($card->surcharge_total)));

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
        $this->cards->askAgain($this->card($slipKey, $cardId));

        return $this->drawn($slipKey, $act);
    }

    /**
     * Keys in a payment that was authorised by voice while the terminal was off line. Beyond what somebody may, another
     * has to allow it.
     *
     * @throws Refused bad_authorisation, over_tendered, card_off_line
     */
    public function key(string $slipKey, Act $act, int $cardId, string $authorisation, string $lastFour): Slip
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
            $this->askable($slip, $card->asked->minus($card->surcharge_total));
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

    /**
     * Has an approved payment, or one whose outcome is not known, reversed by its terminal before the slip is posted.
     * What never reached a terminal is dropped.
     *
     * @throws Refused terminal_off_line
     */
    public function giveBack(string $slipKey, Act $act, int $cardId): Slip
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

        $this->cards->reverse($this->card($slipKey, $cardId), $before);

        return $this->drawn($slipKey, $act);
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

    /** @throws Refused nothing_due, over_tendered, card_unknown */
    private function askable(Slip $slip, ?Money $amount): Money
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

    private function card(string $slipKey, int $cardId): CardRequest
    {
        return CardRequest::query()
            ->with('till')
            ->whereKey($cardId)
            ->where('subject', 'slip')
            ->whereIn('subject_id', Slip::query()->where('key', $slipKey)->select('id'))
            ->firstOrFail();
    }
}
