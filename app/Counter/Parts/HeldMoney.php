<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Layaways\CompleteLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Elmstone\Layaways\Payable;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** What a slip takes in besides the sale, and what of the deposits held it uses: how much, and what hinders it. */
final readonly class HeldMoney
{
    public function __construct(private Slip $slip, private House $house)
    {
    }

    public function onAccount(): Money
    {
        return $this->house->money($this->slip->on_account ?? 0);
    }

    public function depositIn(): Money
    {
        return $this->house->money($this->slip->deposit_in ?? 0);
    }

    /** What is paid on layaways, that of the one being made among it. */
    public function onLayaways(): Money
    {
        return $this->house->money(
            ($this->slip->hold->deposit ?? 0)
                + array_sum(
                    array_map(static fn (LayawayPart $part): int => $part->amount, $this->slip->layawayParts()),
                ),
        );
    }

    /** What gift cards are sold or topped up for. */
    public function onGiftCards(): Money
    {
        return $this->house->money(
            array_sum(array_map(static fn (CardsOnSlip $card): int => $card->amount, $this->slip->cardsSold())),
        );
    }

    public function total(): Money
    {
        return $this->onAccount()->plus($this->depositIn())->plus($this->onLayaways())->plus($this->onGiftCards());
    }

    /**
     * @param  Money  $goods what is sold and taken in besides gift cards
     * @return list<Refused>
     */
    public function hindrances(Money $goods): array
    {
        $found = [];
        $held = $this->slip->deposits?->total() ?? $this->house->money(0);

        if ($this->house->money($this->slip->deposit_used ?? 0)->exceeds($held)) {
            $found[] = Refused::because(
                'over_deposit',
                "Only {$held->toString()} is held for them in deposits.",
            );
        }

        if ($this->slip->deposit_used !== null && $this->slip->deposit_in !== null) {
            $found[] = Refused::because(
                'deposit_both_ways',
                'A deposit is either taken or used, not both on one slip.',
            );
        }

        if ($this->slip->store_credit_used !== null && $this->slip->store_credit_used > $this->slip->storeCredit) {
            $found[] = Refused::because(
                'over_store_credit',
                "Only {$this->house->money($this->slip->storeCredit)->toString()} of store credit is theirs.",
            );
        }

        array_push($found, ...$this->cardHindrances());
        $withCards = array_sum(array_map(static fn (CardsOnSlip $card): int => $card->amount, $this->slip->cardsUsed()))
            + ($this->slip->store_credit_used ?? 0);

        // What pays for gift cards is money: what is owed in goods buys goods.
        if ($withCards > 0 && $this->onGiftCards()->isPositive() && $withCards > $goods->minor) {
            $found[] = Refused::because(
                'card_for_card',
                'A gift card is not bought with gift cards or store credit. They can pay '
                    .Show::money($goods)
                    .' here.',
            );
        }

        foreach ($this->slip->layawayParts() as $part) {
            array_push($found, ...$this->ofPart($part));
        }

        return $found;
    }

    /** @return list<Refused> */
    private function cardHindrances(): array
    {
        $found = [];

        foreach ($this->slip->cardsUsed() as $card) {
            $known = $this->slip->giftCards[$card->code] ?? null;
            $hindrance = $known === null ? 'was replaced by another' : $known->hindrance($this->slip->day());

            if ($hindrance !== '' || $known === null) {
                $found[] = Refused::because('card_unusable', "Gift card {$card->words()} {$hindrance}.");
            } elseif ($card->amount > $known->balance()->minor) {
                $found[] = Refused::because(
                    'over_gift_card',
                    "Gift card {$card->words()} is worth {$known->balance()->toString()} now.",
                );
            }
        }

        foreach ($this->slip->cardsSold() as $card) {
            if (
                $card->code !== ''
                && ! $card->isNew
                && ($this->slip->giftCards[$card->code] ?? null)?->blocked !== false
            ) {
                $found[] = Refused::because('card_unusable', "Gift card {$card->words()} is blocked or was replaced.");
            }
        }

        return $found;
    }

    /** @return list<Refused> what hinders a payment on a layaway, or its goods to leave */
    public function ofPart(LayawayPart $part): array
    {
        $layaway = $this->slip->layaway($part->layawayId);

        if ($layaway === null || $layaway->customer_id !== $this->slip->customer_id) {
            return [Refused::because('not_theirs', 'This layaway is not this customer’s.')];
        }

        try {
            $this->assertPayable($layaway, $part);
            $part->leaves === true && CompleteLayaway::assertSerials($layaway);
        } catch (Refused $refused) {
            return [$refused];
        }

        return [];
    }

    /** Whether the goods may leave with it, so that it must be asked. */
    public function paysOff(LayawayPart $part): bool
    {
        $layaway = $this->slip->layaway($part->layawayId);

        return $layaway !== null && $layaway->state->isOpen() && $layaway->remaining() === $part->amount;
    }

    private function assertPayable(Layaway $layaway, LayawayPart $part): void
    {
        if ($layaway->state === LayawayState::Ready && $part->amount === 0 && $part->leaves === true) {
            return;
        }

        Payable::assert($layaway, $this->house->money($part->amount), $this->slip->day());

        if ($this->paysOff($part) && $part->leaves === null) {
            throw Refused::because(
                'leaves_not_said',
                "{$layaway->label} is paid off with this. Do the goods leave now?",
            );
        }
    }
}
