<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Held\Cards\GiftCards;
use Elmstone\MoneyOut\Way;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** By which ways the money of what comes back goes out. Nothing is posted by it. */
final class ChooseRefund
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly ApproveNeeds $approve,
    ) {
    }

    /**
     * @param  Money|null  $amount null: not this way after all
     *
     * @throws Refused bad_amount, not_that_way, charged_to_account
     */
    public function way(string $slipKey, Act $act, TenderKind|string $way, ?Money $amount): Slip
    {
        $way = $way instanceof TenderKind ? $way->value : $way;

        return $this->change($slipKey, $act, function (Slip $slip, RefundWays $ways) use ($way, $amount): void {
            self::assertChoosable($way);
            $must = $way === TenderKind::HouseAccount->value ? $ways->charged() : $this->house->money(0);
            $most = $ways->most($way);

            match (true) {
                $amount?->isNegative() === true => throw Refused::because(
                    'bad_amount',
                    'Type what goes back without a minus sign.',
                ),
                $amount !== null && $amount->exceeds($most) => throw Refused::because(
                    'not_that_way',
                    $most->isZero()
                        ? ucfirst($ways->closed($way)).'.'
                        : 'At most '.Show::money($most).' can go back this way.',
                ),
                $must->exceeds($amount ?? $this->house->money(0)) => throw Refused::because(
                    'charged_to_account',
                    Show::money($must).' of it was charged to the account and goes back there.',
                ),
                default => null,
            };
            $this->keep($slip, $way, ($amount ?? $this->house->money(0))->minus($must));
        });
    }

    /** All that is left, as far as it can go this way. */
    public function rest(string $slipKey, Act $act, TenderKind|string $way): Slip
    {
        $way = $way instanceof TenderKind ? $way->value : $way;

        return $this->change($slipKey, $act, function (Slip $slip, RefundWays $ways) use ($way): void {
            self::assertChoosable($way);
            $more = Money::min($ways->left(), $ways->most($way)->minus($ways->chosen($way)));

            if (! $more->isPositive()) {
                throw Refused::because(
                    'not_that_way',
                    $ways->closed($way) === '' ? 'Nothing is left to give back.' : ucfirst($ways->closed($way)).'.',
                );
            }

            $this->keep($slip, $way, $more->plus($slip->back[$way] ?? $this->house->money(0)));
        });
    }

    public function reference(string $slipKey, Act $act, string $reference): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            static fn (Slip $slip) => $slip->forceFill(
                ['back_reference' => mb_substr(trim($reference), 0, 60)],
            )->save(),
            evenVoid: true,
        );
    }

    /**
     * @param  string  $typed the number of a card that is there; empty: a new one
     *
     * @throws Refused bad_card_code, no_such_card, card_replaced, card_unusable
     */
    public function card(string $slipKey, Act $act, string $typed): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($typed): void {
            $card = trim($typed) === '' ? null : GiftCards::named($typed);

            if ($card?->blocked === true) {
                throw Refused::because('card_unusable', "Gift card {$card->masked()} is blocked.");
            }

            $slip->forceFill(['back_card' => $card?->code])->save();
        });
    }

    public function creditTo(string $slipKey, Act $act, bool $oldest): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            static fn (Slip $slip) => $slip->forceFill(['credit_to' => $oldest ? 'oldest' : 'unused'])->save(),
        );
    }

    /**
     * Opens a money way that nothing came in by, such as cash for a card that was closed, and takes what is left by it:
     * somebody else has to allow it, with the reason.
     *
     * @throws Refused not_that_way, approval_missing
     */
    public function otherWay(string $slipKey, Act $act, TenderKind $kind): Slip
    {
        if (! in_array($kind, [TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer], true)) {
            throw Refused::because('not_that_way', 'Another way is cash, our cheque or a bank transfer.');
        }

        return $this->desk->change(
            $slipKey,
            $act,
            function (Slip $slip) use ($act, $kind): void {
                $slip->forceFill(['back_other' => [...$slip->back_other ?? [], $kind->value => true]])->save();
                $this->desk->redraw($slip, $act);
                $ways = $this->ways($slip);
                $more = Money::min($ways->left(), $ways->most($kind->value)->minus($ways->chosen($kind)));
                $more->isPositive()
                    || throw Refused::because(
                        'not_that_way',
                        'Nothing of it came in as money, so none goes back as money.',
                    );
                $this->keep($slip, $kind->value, $more->plus($slip->back[$kind->value] ?? $this->house->money(0)));
                $this->approve->within($slip, $act, 'refund');
            },
            evenVoid: true,
        );
    }

    /** As it came: by every way what it brought of it; cards are left to their terminal. */
    public function asItCame(string $slipKey, Act $act): Slip
    {
        return $this->change($slipKey, $act, static function (Slip $slip, RefundWays $ways): void {
            $slip->forceFill(['back' => self::came($ways)])->save();
        });
    }

    /** @return array<string, Money> by way, without cards */
    public static function came(RefundWays $ways): array
    {
        return array_filter(
            $ways->asItCame(),
            static fn (string|int $way): bool => Way::read($way)?->kind !== TenderKind::Card,
            ARRAY_FILTER_USE_KEY,
        );
    }

    /** @throws Refused nothing_back */
    private function ways(Slip $slip): RefundWays
    {
        return ReckonedCounter::of($slip, $this->house)->refund
            ?? throw Refused::because('nothing_back', 'Nothing comes back on this slip.');
    }

    /** @param  callable(Slip, RefundWays): void  $do */
    private function change(string $slipKey, Act $act, callable $do): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $do): void {
            $this->desk->redraw($slip, $act);
            $do($slip, $this->ways($slip));
        });
    }

    /** A card is paid back by its terminal, and not by being chosen. */
    private static function assertChoosable(string $way): void
    {
        $kind = Way::read($way)?->kind;

        if ($kind === null || $kind === TenderKind::Card || ! in_array($kind, RefundWays::KINDS, true)) {
            throw Refused::because('not_that_way', 'Nothing can go back this way.');
        }
    }

    private function keep(Slip $slip, string $way, Money $amount): void
    {
        $back = $slip->back ?? [];
        unset($back[$way]);
        $slip->forceFill(['back' => $amount->isZero() ? $back : [...$back, $way => $amount]])->save();
    }
}
