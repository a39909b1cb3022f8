<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\Cards\GiveCardBack;
use Elmstone\Counter\Settle\Cards\TakeCard;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\ClearSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Paper\Payable;
use Elmstone\PayLinks\LinkPayment;
use Elmstone\PayLinks\OnlineTill;
use Elmstone\PayLinks\PayableNow;
use Elmstone\PayLinks\PayLink;
use Elmstone\PayLinks\PaysByLink;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/**
 * Somebody pays by a link: what is a slip at the counter, with what is to be paid on it, settled by one card, is made,
 * asked and posted in one go. Whatever breaks in between, it is found again by the same link, and the card is never
 * charged twice.
 */
final readonly class PayByLink implements PaysByLink
{
    public function __construct(
        private House $house,
        private OnlineTill $online,
        private SlipDesk $desk,
        private LinkSlip $slip,
        private TakeCard $card,
        private GiveCardBack $back,
        private PostSale $post,
        private ClearSlip $clear,
    ) {
    }

    public function handle(PayLink $link, ?Money $amount): LinkPayment
    {
        $now = $this->assertMay($link, $amount);
        $payment = LinkPayment::begin($now, $amount ?? $now->left);

        return $payment->held(fn (): LinkPayment => $this->pay($now, $payment, $amount ?? $now->left));
    }

    public function settle(LinkPayment $payment): LinkPayment
    {
        return $payment->held(fn (): LinkPayment => $this->settled($payment));
    }

    private function pay(PayableNow $now, LinkPayment $payment, Money $amount): LinkPayment
    {
        $till = $this->online->at($now->location);
        $this->online->ready($till);
        $slip = $this->desk->read($payment->slip_key, $this->slip->act($payment, $till->id));

        if ($slip->cards->isEmpty()) {
            try {
                $payment->update(['amount' => $amount]);
                $this->slip->fill($now, $payment, $slip, $till->id);
                $this->card->handle($payment->slip_key, $this->slip->act($payment, $till->id), null, 0);
            } catch (Refused $refused) {
                $this->giveUp($payment, $refused->getMessage());

                throw $refused;
            }

            return $this->settled($payment, justAsked: true);
        }

        return $this->settled($payment);
    }

    /** What the link asks for as it may be paid now. */
    private function assertMay(PayLink $link, ?Money $amount): PayableNow
    {
        $now = PayableNow::of($link, $this->house);

        return match (true) {
            $link->hasRunOut() => throw Refused::because(
                'link_ran_out',
                'This link held until '.Show::date($link->until).'. Ask the shop for another.',
            ),
            $now === null, ! $now->left->isPositive() => throw Refused::because(
                'link_paid',
                'There is nothing left to pay by this link.',
            ),
            $amount !== null && ! $amount->isPositive() => throw Refused::because(
                'bad_amount',
                'Type what you pay, more than nothing.',
            ),
            $amount?->exceeds($now->left) === true => throw Refused::because(
                'more_than_asked',
                'Only '.Show::money($now->left).' is left to pay.',
            ),
            $amount?->equals($now->left) === false && ! $this->house->shop()->links_may_less => throw Refused::because(
                'less_not_wanted',
                'It is paid whole: '.Show::money($now->left).'.',
            ),
            default => $now,
        };
    }

    /**
     * What is known of the card by now: posts it where it has paid, and ends it where it has not. While nobody knows,
     * it stays open.
     *
     * @param  bool  $justAsked whether the terminal was asked a moment ago, and is asked again only later
     */
    private function settled(LinkPayment $payment, bool $justAsked = false): LinkPayment
    {
        $slip = $this->slip->of($payment);

        if ($payment->state !== LinkPayment::OPEN || $slip === null) {
            return $payment;
        }

        $act = $this->slip->act($payment, $slip->till_id);
        $card = $slip->cards->last();

        if ($card !== null && $card->state->isOpen() && ! $justAsked) {
            $slip = $this->card->askAgain($payment->slip_key, $act, $card->id);
            $card = $slip->cards->last();
        }

        return match (true) {
            $slip->isPosted() => $this->paid($payment, $slip),
            $card === null => $this->giveUp($payment, 'No card was asked.'),
            $card->state->isOpen() => $payment,
            $card->state === CardState::Approved => $this->posted($payment, $slip, $card),
            $card->state === CardState::OffLine => $this->giveUp($payment, 'Cards cannot be asked just now.'),
            default => $this->giveUp($payment, $card->reason === '' ? 'The card was not accepted.' : $card->reason),
        };
    }

    private function posted(LinkPayment $payment, Slip $slip, CardRequest $card): LinkPayment
    {
        try {
            if (! $card->approved->equals($payment->amount)) {
                $parts = $slip->orderParts();
                $this->slip->pays(
                    $parts === [] ? Payable::Account : Payable::Order,
                    array_key_first($parts),
                    $payment,
                    $card->approved,
                    $slip->till_id,
                );
            }

            $act = $this->slip->act($payment, $slip->till_id);
            $version = $this->desk->read($payment->slip_key, $act)->version;
            $this->post->handle(
                $payment->slip_key,
                new Act($act->key, $act->by, $act->till, $version),
                fn (Slip $posted) => $this->assertNotPaidMeanwhile($posted),
            );
        } catch (Refused $refused) {
            return $this->giveUp($payment, $refused->getMessage());
        }

        return $this->paid($payment, $this->slip->of($payment) ?? $slip);
    }

    /**
     * In the transaction that posts it, the account locked: what was paid elsewhere since is not paid again.
     *
     * @throws Refused link_paid
     */
    private function assertNotPaidMeanwhile(Slip $posted): void
    {
        $receipt = $posted->receipt_id ?? $posted->document_id;
        $unused = $receipt === null ? null : OpenItemRecord::query()->find($receipt);
        $unused?->open->isPositive() === true && throw Refused::because(
            'link_paid',
            'It was paid another way meanwhile.',
        );
    }

    private function paid(LinkPayment $payment, Slip $slip): LinkPayment
    {
        $document = $slip->receipt_id ?? $slip->document_id;
        $card = $slip->cards->last();
        LinkPayment::query()->whereKey($payment->id)->where('state', LinkPayment::OPEN)->update([
            'state' => LinkPayment::PAID,
            'document_id' => $document,
            'amount' => $card->approved ?? $payment->amount,
            'paid_at' => now(),
        ]);

        return $payment->refresh();
    }

    /** Nothing stays paid: what a card has paid is given back first; where that is not known, it stays open. */
    private function giveUp(LinkPayment $payment, string $reason): LinkPayment
    {
        $slip = $this->slip->of($payment);

        if ($slip !== null && ! $slip->isDone()) {
            foreach ($slip->cards->filter(static fn (CardRequest $card): bool => $card->state->isLive()) as $card) {
                $slip = $this->back->handle($payment->slip_key, $this->slip->act($payment, $slip->till_id), $card->id);
            }

            if ($slip->cards->contains(static fn (CardRequest $card): bool => $card->state->isLive())) {
                return $payment;
            }

            $this->clear->handle($payment->slip_key, $this->slip->act($payment, $slip->till_id));
        }

        return $payment->fail($reason);
    }
}
