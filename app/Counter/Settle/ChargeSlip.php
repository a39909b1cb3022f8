<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Shop\House;

/**
 * Charges the slip, or part of it, to the customer's account; and takes money towards the account with it. Decided
 * again when it is posted.
 */
final class ChargeSlip
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house)
    {
    }

    /**
     * @param  Money|null  $amount null: not to the account after all
     *
     * @throws Refused bad_amount, charge_too_large, not_an_account, on_stop
     */
    public function charge(string $slipKey, Act $act, ?Money $amount): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($amount, $act): void {
            $this->desk->redraw($slip, $act);
            $slip->forceFill(['charge' => $amount])->save();

            if ($amount === null) {
                return;
            }

            if ($amount->isNegative()) {
                throw Refused::because('bad_amount', 'A charge cannot be below zero.');
            }

            if ($amount->exceeds(ReckonedCounter::of($slip, $this->house)->saleTotal())) {
                throw Refused::because('charge_too_large', 'Only what is sold can be charged to the account.');
            }

            foreach (ChargeCheck::of($slip, $amount)->refusals() as $refusal) {
                throw $refusal;
            }
        });
    }

    /** Whether who pays towards the account in time pays in full, without the settlement discount. */
    public function leaveDiscount(string $slipKey, Act $act, bool $leaves): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($leaves): void {
            $slip->forceFill(['leaves_discount' => $leaves])->save();
        });
    }

    /** Charges all that is left to settle. */
    public function rest(string $slipKey, Act $act): Slip
    {
        $slip = $this->desk->read($slipKey, $act);
        $left = ReckonedCounter::of($slip, $this->house)->due()->chargeable();

        return $this->charge($slipKey, $act, $left->isZero() ? null : $left);
    }

    /**
     * Money towards the account, settled together with what is sold.
     *
     * @throws Refused bad_amount, not_an_account
     */
    public function payIn(string $slipKey, Act $act, ?Money $amount): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($amount, $act): void {
            $this->desk->redraw($slip, $act);

            if ($amount !== null && ! $amount->isPositive()) {
                throw Refused::because('bad_amount', 'A payment is more than nothing.');
            }

            if ($amount !== null && $slip->account === null) {
                throw Refused::because(
                    'not_an_account',
                    'There is no house account to pay towards. The office can open one.',
                );
            }

            $slip
                ->forceFill([
                    'on_account' => $amount,
                    ...$amount === null ? ['plan_id' => null, 'on_items' => null, 'leaves_discount' => false] : [],
                ])
                ->save();
        });
    }
}
