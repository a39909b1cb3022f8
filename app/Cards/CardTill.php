<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Books\Sessions;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Surcharge;
use Elmstone\Devices\CardRead;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\OnFile;
use Elmstone\Devices\TerminalAnswer;
use Elmstone\Devices\TerminalOutcome;
use Elmstone\Devices\TrainingTerminal;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;

/**
 * The one way to a card terminal. A question is written down under a key that follows from what it is for, and stands
 * before the terminal hears it; the answer is written down when it comes; what is not known is asked again of the same
 * terminal.
 */
final class CardTill
{
    public function __construct(private readonly CardTerminal $terminal, private readonly Sessions $sessions)
    {
    }

    /**
     * Writes the next question down. In a transaction that holds the lock of what it is for, and that is committed
     * before the question is asked.
     *
     * @param  string  $against money back: the authorisation it was taken by; empty: it pays
     * @param  CardState  $state Asked, or Read where its cost is shown first
     *
     * @throws Refused card_unknown while another question of the same thing has no answer; card_reserved where the
     *     payment has not so much left, whatever it is being paid back for; till_not_open, till_counted,
     *     not_your_drawer, since what a card pays at a till belongs to its session
     */
    public function write(
        CardSubject $subject,
        Till $till,
        Staff $by,
        Money $amount,
        string $against = '',
        CardState $state = CardState::Asked,
    ): CardRequest {
        $before = CardRequest::query()
            ->where('subject', $subject->kind)
            ->where('subject_id', $subject->id)
            ->lockForUpdate()
            ->get();

        if ($before->contains(static fn (CardRequest $request): bool => $request->state->isOpen())) {
            throw Refused::because(
                'card_unknown',
                'The outcome of the card before is not known yet. Ask the terminal again first.',
            );
        }

        if ($against !== '') {
            $till->training && throw Refused::because('training', 'A till for training pays nothing back to a card.');
            $this->assertBrought($against, $amount);
        }

        $till->training || $this->sessions->take($till->id, $by->id);
        $ordinal = (int) $before->max('ordinal') + 1;

        return CardRequest::query()
            ->create([
                'key' => $subject->key($ordinal),
                'subject' => $subject->kind,
                'subject_id' => $subject->id,
                'ordinal' => $ordinal,
                'till_id' => $till->id,
                'staff_id' => $by->id,
                'asked' => $amount,
                'state' => $state,
                'against' => $against,
            ])
            ->setRelation('till', $till);
    }

    /**
     * No payment gives back more than it brought, over documents and open questions of slips, deposits, layaways,
     * credits and receipts at once. Its document is locked, so that two who want the same follow each other.
     */
    private function assertBrought(string $authorisation, Money $amount): void
    {
        $left = CardMoney::lockLeft($authorisation);

        if ($amount->exceeds($left)) {
            throw Refused::because(
                'card_reserved',
                $left->isPositive()
                    ? "Only {$left->toString()} of this card payment is left: the rest went back to it, or is being "
                        .'paid back elsewhere.'
                    : 'This card payment went back already, or is being paid back elsewhere. Settle that first.',
            );
        }
    }

    /** Which card lies before the terminal, for a question that is written down and not asked yet. */
    public function read(CardRequest $request): ?CardRead
    {
        return $this->terminal($request)->read($request->till, $request->key);
    }

    /**
     * Notes that a card which was read is asked now. As write(), in a transaction that is committed before it is asked.
     *
     * @throws Refused till_not_open, till_counted, not_your_drawer
     */
    public function goAhead(CardRequest $request, Staff $by): void
    {
        $request->till->training || $this->sessions->take($request->till_id, $by->id);
        $request->update(['state' => CardState::Asked]);
    }

    /**
     * Asks what was written down. After the transaction that wrote it.
     *
     * @param  string  $token of the card on file that is asked; empty: the one that is put in
     */
    public function ask(CardRequest $request, string $token = ''): CardRequest
    {
        $card = $token === '' ? null
            : new OnFile($token, $request->absent, $request->given_postcode, $request->given_number);

        return $this->heard(
            $request,
            $request->isBack()
                ? $this->terminal($request)->refund($request->till, $request->key, $request->asked, $request->against)
                : $this->terminal($request)->take($request->till, $request->key, $request->asked, $card),
        );
    }

    /** Asks the same terminal again what became of a question whose answer is not known. */
    public function askAgain(CardRequest $request): CardRequest
    {
        return $request->state->isOpen()
            ? $this->heard(
                $request,
                $this->terminal($request)->ask($request->till, $request->key, $request->asked),
            )
            : $request;
    }

    /**
     * Has the terminal reverse what it did, or may have done. After the transaction that noted it as being reversed.
     *
     * @param  CardState  $before what it was, and stays where the terminal is off line
     *
     * @throws Refused terminal_off_line
     */
    public function reverse(CardRequest $request, CardState $before): CardRequest
    {
        $answer = $this->terminal($request)->reverse($request->till, $request->key);

        if ($answer->outcome === TerminalOutcome::OffLine) {
            CardRequest::query()
                ->whereKey($request->id)
                ->where('state', CardState::GivingBack)
                ->update(['state' => $before]);

            throw Refused::because(
                'terminal_off_line',
                'The terminal is off line, so this cannot be reversed now. Try again when it is back.',
            );
        }

        return $this->heard($request, $answer);
    }

    /** At a till for training no terminal is asked. */
    private function terminal(CardRequest $request): CardTerminal
    {
        return $request->till->training ? new TrainingTerminal : $this->terminal;
    }

    /** Only what is open hears an answer, so that an answer heard twice changes nothing. */
    private function heard(CardRequest $request, TerminalAnswer $answer): CardRequest
    {
        CardRequest::query()
            ->whereKey($request->id)
            ->whereIn('state', [CardState::Asked, CardState::GivingBack])
            ->update(
                match ($answer->outcome) {
                    TerminalOutcome::Approved => [
                        'state' => CardState::Approved,
                        'approved' => $answer->approved ?? 0,
                        'surcharge' => $this->surchargeOf($request, $answer->approved),
                        'card_type' => $answer->cardType,
                        'last_four' => $answer->lastFour,
                        'authorisation' => $answer->authorisation,
                        'postcode_matches' => $answer->postcodeMatches,
                        'number_matches' => $answer->numberMatches,
                        'reason' => '',
                    ],
                    TerminalOutcome::Declined => [
                        'state' => CardState::Declined,
                        'approved' => 0,
                        'reason' => $answer->reason,
                        'postcode_matches' => $answer->postcodeMatches,
                        'number_matches' => $answer->numberMatches,
                    ],
                    TerminalOutcome::Reversed => ['state' => CardState::GivenBack],
                    TerminalOutcome::OffLine => $request->state === CardState::Asked
                        ? ['state' => CardState::OffLine]
                        : ['reason' => 'The terminal is off line.'],
                    TerminalOutcome::Unknown => ['reason' => 'No answer from the terminal.'],
                },
            );

        return $request->refresh();
    }

    /** Where only a part is approved, so much of the surcharge is in it, rounded down: never more than was said. */
    private function surchargeOf(CardRequest $request, ?Money $approved): Money
    {
        return $approved === null
            ? $request->surcharge
            : Surcharge::partly($request->surcharge, $request->asked, $approved);
    }
}
