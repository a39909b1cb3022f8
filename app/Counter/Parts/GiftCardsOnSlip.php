<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PartKind;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCards;
use Elmstone\Held\Cards\KeptCode;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/** Sells gift cards with the slip, tops them up, pays with them. Nothing is posted by it. */
final class GiftCardsOnSlip
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house)
    {
    }

    /**
     * @param  string  $typed the number on the card: of one in use it is a top-up; empty: a number is drawn
     *
     * @throws Refused bad_amount, bad_card_code, card_unusable, card_replaced, card_twice
     */
    public function sell(string $slipKey, Act $act, ?Money $amount, string $typed): Slip
    {
        if ($amount === null || ! $amount->isPositive()) {
            throw Refused::because('bad_amount', 'Type what the gift card is to be worth.');
        }

        $code = trim($typed) === '' ? null : CardCode::of($typed);
        $isNew = $code !== null && GiftCards::isFree($code);
        $known = $code === null || $isNew ? null : self::usable($code);

        return $this->desk->change($slipKey, $act, static function (Slip $slip) use (
            $amount,
            $code,
            $isNew,
            $known,
        ): void {
            $cards = $slip->cardsSold();

            foreach ($cards as $card) {
                $code === null
                    || $card->code !== KeptCode::of($code)
                    || throw Refused::because('card_twice', "Gift card {$code->masked()} is on this slip already.");
            }

            $cards[] = match (true) {
                $isNew && $code !== null => CardsOnSlip::ofItsOwn($code, $amount),
                $known !== null => CardsOnSlip::of($known, $amount),
                default => new CardsOnSlip('', $amount),
            };
            self::keep($slip, PartKind::CardSold, $cards);
        });
    }

    /** @param  array<CardsOnSlip>  $cards */
    private static function keep(Slip $slip, PartKind $kind, array $cards): void
    {
        $slip->keepParts($kind, array_map(static fn (CardsOnSlip $card): array => $card->kept(), array_values($cards)));
    }

    public function dropSold(string $slipKey, Act $act, int $place): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($place): void {
            $cards = $slip->cardsSold();
            unset($cards[$place]);
            self::keep($slip, PartKind::CardSold, $cards);
        });
    }

    /**
     * Pays with a card, as far as it reaches.
     *
     * @throws Refused bad_card_code, no_such_card, card_replaced, card_unusable, card_empty, card_twice, nothing_due
     */
    public function use(string $slipKey, Act $act, string $typed): Slip
    {
        $card = self::usable(CardCode::of($typed));

        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $card): void {
            $this->desk->redraw($slip, $act);
            $reckoned = ReckonedCounter::of($slip, $this->house);
            $used = $slip->cardsUsed();
            $left = $reckoned->isRefund() ? $this->house->money(0) : $reckoned->outstanding();

            $paysAlready = array_filter($used, static fn (CardsOnSlip $one): bool => $one->code === $card->code) !== [];

            match (true) {
                $paysAlready => throw Refused::because(
                    'card_twice',
                    "Gift card {$card->masked()} pays on this slip already.",
                ),
                $card->balance()->isZero() => throw Refused::because(
                    'card_empty',
                    "Gift card {$card->masked()} is used up.",
                ),
                ! $left->isPositive() => throw Refused::because(
                    'nothing_due',
                    "Gift card {$card->masked()} is worth "
                        .Show::money($card->balance())
                        .'. There is nothing left to pay here.',
                ),
                default => null,
            };
            self::keep(
                $slip,
                PartKind::CardUsed,
                [...$used, CardsOnSlip::of($card, Money::min($card->balance(), $left))],
            );
        });
    }

    /** @param  Money|null  $amount null: not with this card after all */
    public function amount(string $slipKey, Act $act, int $place, ?Money $amount): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $place, $amount): void {
            $this->desk->redraw($slip, $act);
            $cards = $slip->cardsUsed();
            $card = $cards[$place] ?? throw Refused::because('not_there', 'This card is not on the slip any more.');
            $balance = $slip->worthOf($card->code) ?? $this->house->money(0);

            match (true) {
                $amount?->isNegative() === true => throw Refused::because(
                    'bad_amount',
                    'What is used of a card cannot be below zero.',
                ),
                $amount?->exceeds($balance) === true => throw Refused::because(
                    'over_gift_card',
                    "Gift card {$card->words()} is worth ".Show::money($balance).'.',
                ),
                default => null,
            };
            unset($cards[$place]);
            self::keep(
                $slip,
                PartKind::CardUsed,
                $amount === null ? $cards : [...$cards, $card->with($amount)],
            );
        });
    }

    private static function usable(CardCode $code): GiftCard
    {
        $card = GiftCards::named($code->digits);
        $hindrance = $card->hindrance(ShopTime::today());

        return $hindrance === ''
            ? $card
            : throw Refused::because(
                'card_unusable',
                "Gift card {$card->masked()} {$hindrance}."
                    .($card->blocked ? '' : ' A supervisor can extend it on the gift cards page.'),
            );
    }
}
