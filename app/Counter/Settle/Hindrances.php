<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Slip\ReckonedCoupon;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Parts\HeldUsed;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\Slip;
use Elmstone\KeptCards\CardOnFile;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Need;

/** Why a slip cannot be posted now, in the order a clerk would deal with it. */
final readonly class Hindrances
{
    private Slip $slip;

    public function __construct(private ReckonedCounter $reckoned, private House $house)
    {
        $this->slip = $reckoned->slip;
    }

    /**
     * Why it cannot be posted now, in the order a clerk would deal with it.
     *
     * @return list<Refused>
     */
    public function all(): array
    {
        $found = [];
        $slip = $this->slip;
        $offSale = $slip->lines->first(static fn (LineOnSlip $line): bool => $line->isOffSale());

        if (
            $slip->lines->isEmpty()
            && $slip->returns->isEmpty()
            && $this->reckoned->taken()->isZero()
            && ! $slip->handsOver()
            && ($slip->unknown ?? []) === []
        ) {
            $found[] = Refused::because('empty', 'There is nothing on this slip yet.');
        }

        if ($offSale !== null) {
            $found[] = Refused::because(
                'off_sale',
                "“{$offSale->description}” was taken off sale. Remove it to post the rest.",
            );
        }

        foreach ($slip->unknown ?? [] as $scanned) {
            $found[] = Refused::because(
                'unknown_scan',
                "“{$scanned}” was scanned and is in no list. Say what it is, or take it away.",
            );
        }

        $open = $this->reckoned->needs->open();
        array_push($found, ...array_map(static fn (Need $need): Refused => $need->refused, $open));

        if ($this->reckoned->unknownCard() !== null) {
            $found[] = Refused::because('card_unknown', 'The card’s outcome is not known yet. Ask the terminal again.');
        }

        array_push($found, ...$this->cardHindrances());

        if ($this->reckoned->overTendered !== null && ! $this->reckoned->isRefund()) {
            $found[] = $this->reckoned->overTendered;
        }

        if ($slip->customer?->isMerged() === true) {
            $found[] = Refused::because(
                'customer_merged',
                "{$slip->customer->name} was merged into another customer meanwhile. Choose that one to go on.",
            );
        }

        array_push(
            $found,
            ...$this->goodsHindrances(),
            ...$this->couponHindrances(),
            ...(new HeldUsed($slip, $this->house))->hindrances(),
            ...$this->reckoned->moneyIn->hindrances($this->reckoned),
            ...$this->backHindrances(),
        );

        if (
            $slip->becomesSale()
            && $slip->charge !== null
            && ! $this->reckoned->isRefund()
            && $slip->charge->exceeds($this->reckoned->due()->mostCharged())
        ) {
            $found[] = Refused::because('charge_too_large', 'Only what is sold can be charged to the account.');
        }

        array_push(
            $found,
            ...$this->reckoned->charge()?->refusals() ?? [],
            ...$this->reckoned->quote()?->hindrances() ?? [],
        );

        if ($slip->cheque !== null && ! $this->reckoned->isRefund() && $slip->cheque_number === '') {
            $found[] = Refused::because('cheque_number', 'Type the cheque’s number.');
        }

        if ($this->reckoned->settlement !== null && ! $this->reckoned->isRefund()
            && ! $this->reckoned->settlement->isMet()) {
            $found[] = Refused::because('outstanding', "{$this->reckoned->settlement->outstanding->toString()} is "
                .'left to pay.');
        }

        array_push($found, ...PayerSigns::of($slip, $this->reckoned, $this->house)->hindrances());

        if ($slip->paper === PaperWay::Mail && $slip->mail_to === '') {
            $found[] = Refused::because('mail_to', 'Type where to mail it.');
        }

        return $found;
    }

    /** @return list<Refused> of what comes back, and of money that went the other way meanwhile */
    private function backHindrances(): array
    {
        $found = [...$this->reckoned->back?->hindrances() ?? [], ...$this->reckoned->refund?->hindrances() ?? []];
        $wrong = $this->slip->cards->first(
            fn (CardRequest $card): bool => $card->state->pays() && $card->isBack() !== $this->reckoned->isRefund(),
        );

        if ($wrong !== null) {
            $money = $wrong->approved->toString();
            $found[] = Refused::because(
                'card_wrong_way',
                $wrong->isBack()
                    ? "{$money} went back to a card, but nothing is to go back now. Take it back first."
                    : "A card has paid {$money}, but more comes back now than goes out. Give it back first.",
            );
        }

        return $found;
    }

    /** @return list<Refused> of cards that are read and not asked, of another kind than was read, or somebody else’s */
    private function cardHindrances(): array
    {
        $found = [];

        foreach ($this->slip->cards as $card) {
            if ($card->state === CardState::Read) {
                $found[] = Refused::because(
                    'card_read',
                    'A card was read and not asked yet. Ask it, or say that it does not pay.',
                );
            } elseif (
                $card->on_file_id !== null && $card->state->pays() && $card->document_id === null
                && ! CardOnFile::isOf($card->on_file_id, $this->slip->customer_id)
            ) {
                $found[] = Refused::because(
                    'not_their_card',
                    "The card on file ending {$card->last_four} is not of who this slip is for. Give it back, or put "
                        .'its holder on the slip.',
                );
            } elseif ($card->isOtherCard() && $card->surcharge->isPositive() && $card->document_id === null) {
                $found[] = Refused::because(
                    'other_card',
                    "The card that paid is a {$card->card_type} card, and the surcharge was for a {$card->read_as} "
                        .'card. Give it back and ask again.',
                );
            }
        }

        return $found;
    }

    /** @return list<Refused> */
    private function couponHindrances(): array
    {
        $coupons = $this->reckoned->sums->coupons;
        $refused = array_map(static fn (ReckonedCoupon $coupon): ?Refused => $coupon->refused, $coupons);
        $found = array_values(array_filter($refused));

        foreach ($this->slip->couponsShown ?? [] as $coupon) {
            $hindrance = $coupon->hindrance($this->slip->day());
            $hindrance === ''
                || ($found[] = Refused::because('coupon_over', "Coupon {$coupon->code} {$hindrance}. Take it off."));
        }

        if (! $this->slip->becomesSale() && $this->slip->couponIds() !== []) {
            $found[] = Refused::because(
                'coupon_on_layaway',
                "Coupons are not for {$this->slip->becomes->value}s. Take it off, or sell instead.",
            );
        }

        return $found;
    }

    /** @return list<Refused> serial numbers that are missing */
    private function goodsHindrances(): array
    {
        $found = [];

        foreach ($this->slip->lines as $line) {
            $line->owner_id === null || $this->slip->becomesSale() || ($found[] = Refused::because(
                'owner_one_off',
                "“{$line->description}” belongs to somebody and is in no list: it can only be sold. Make it an item "
                    .'first.',
            ));

            if ($line->item?->has_serials === true) {
                try {
                    Serials::assertComplete(
                        $line->description,
                        $line->quantity,
                        $line->serials ?? [],
                        ! $this->slip->becomesSale(),
                    );
                } catch (Refused $refused) {
                    $found[] = $refused;
                }
            }
        }

        return $found;
    }
}
