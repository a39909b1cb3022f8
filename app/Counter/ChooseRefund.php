<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Foundation\Show;
use Elmstone\GiftCards\GiftCards;
use Elmstone\Shop\House;
use Elmstone\Staff\Approve;

/** By which ways the money of what comes back goes out. Nothing is posted by it. */
final class ChooseRefund
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house, private readonly Approve $approve)
    {
    }

    /**
     * @param  Money|null  $amount null: not this way after all
     *
     * @throws Refused bad_amount, not_that_way, charged_to_account
     */
    public function way(string $slipKey, Act $act, TenderKind $kind, ?Money $amount): Slip
    {
        return $this->change($slipKey, $act, function (Slip $slip, RefundWays $ways) use ($kind, $amount): void {
            $must = $kind === TenderKind::HouseAccount ? $ways->charged() : $this->house->money(0);
            $most = $ways->most($kind->value);

            match (true) {
                $amount?->isNegative() === true => throw Refused::because('bad_amount', 'Type what goes back without a minus sign.'),
                $amount !== null && $amount->exceeds($most) => throw Refused::because('not_that_way', $most->isZero() ? ucfirst($ways->closed($kind)).'.' : 'At most '.Show::money($most).' can go back this way.'),
                $must->exceeds($amount ?? $this->house->money(0)) => throw Refused::because('charged_to_account', Show::money($must).' of it was charged to the account and goes back there.'),
                default => null,
            };
            $this->keep($slip, $kind, ($amount ?? $this->house->money(0))->minus($must)->minor);
        });
    }

    /** All that is left, as far as it can go this way. */
    public function rest(string $slipKey, Act $act, TenderKind $kind): Slip
    {
        return $this->change($slipKey, $act, function (Slip $slip, RefundWays $ways) use ($kind): void {
            $more = Money::min($ways->left(), $ways->most($kind->value)->minus($ways->chosen($kind)));

            if (! $more->isPositive()) {
                throw Refused::because('not_that_way', $ways->closed($kind) === '' ? 'Nothing is left to give back.' : ucfirst($ways->closed($kind)).'.');
            }

            $this->keep($slip, $kind, ($slip->back[$kind->value] ?? 0) + $more->minor);
        });
    }

    public function reference(string $slipKey, Act $act, string $reference): Slip
    {
        return $this->desk->change($slipKey, $act, static fn (Slip $slip) => $slip->forceFill(['back_reference' => mb_substr(trim($reference), 0, 60)])->save());
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
                throw Refused::because('card_unusable', "Gift card {$card->number()->masked()} is blocked.");
            }

            $slip->forceFill(['back_card' => $card === null ? null : CardCode::of($typed)->digits])->save();
        });
    }

    public function creditTo(string $slipKey, Act $act, bool $oldest): Slip
    {
        return $this->desk->change($slipKey, $act, static fn (Slip $slip) => $slip->forceFill(['credit_to' => $oldest ? 'oldest' : 'unused'])->save());
    }

    /** That so much is handed out, and cash among it for goods without a receipt. */
    public function approve(string $slipKey, Act $act): Slip
    {
        return $this->change($slipKey, $act, function (Slip $slip, RefundWays $ways) use ($act): void {
            $out = $ways->handedOut();
            $approval = $this->approve->handle($act->given(), $act->by, 'refund', Show::money($out).' handed back, '.Show::money($ways->blindCash()).' of it without a receipt', $slip->id);
            $slip->forceFill(['refund_approval_id' => $approval->id, 'refund_approved' => $out->minor, 'blind_cash_approved' => $ways->blindCash()->minor])->save();
        });
    }

    /** @param  callable(Slip, RefundWays): void  $do */
    private function change(string $slipKey, Act $act, callable $do): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $do): void {
            $this->desk->redraw($slip, $act);
            $do($slip, ReckonedCounter::of($slip, $this->house)->refund ?? throw Refused::because('nothing_back', 'Nothing comes back on this slip.'));
        });
    }

    private function keep(Slip $slip, TenderKind $kind, int $amount): void
    {
        $back = $slip->back ?? [];
        unset($back[$kind->value]);
        $slip->forceFill(['back' => $amount === 0 ? $back : [...$back, $kind->value => $amount]])->save();
    }
}
