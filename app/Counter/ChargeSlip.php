<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ChargeReason;
use Elmstone\Receivables\ChargeWords;
use Elmstone\Shop\House;
use Elmstone\Staff\Approve;

/** Charges the slip, or part of it, to the customer's account; and takes money towards the account with it. Decided again when it is posted. */
final class ChargeSlip
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house, private readonly Approve $approve)
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
            $slip->forceFill(['charge' => $amount?->minor, 'charge_approval_id' => null, 'charge_approved_for' => '', 'charge_approved_over' => 0])->save();

            if ($amount === null) {
                return;
            }

            if ($amount->isNegative()) {
                throw Refused::because('bad_amount', 'A charge cannot be below zero.');
            }

            if ($amount->exceeds(ReckonedCounter::of($slip, $this->house)->saleTotal())) {
                throw Refused::because('charge_too_large', 'Only what is sold can be charged to the account.');
            }

            foreach (ChargeCheck::of($slip, $amount)->hindrances() as $hindrance) {
                if (ChargeReason::from($hindrance->rule)->refuses()) {
                    throw $hindrance;
                }
            }
        });
    }

    /** Charges all that is left to settle. */
    public function rest(string $slipKey, Act $act): Slip
    {
        $slip = $this->desk->read($slipKey, $act);
        $left = ReckonedCounter::of($slip, $this->house)->chargeable();

        return $this->charge($slipKey, $act, $left->isZero() ? null : $left);
    }

    /** @throws Refused nothing_to_approve, approval_missing */
    public function approve(string $slipKey, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act): void {
            $this->desk->redraw($slip, $act);
            $check = ReckonedCounter::of($slip, $this->house)->charge() ?? throw Refused::because('nothing_to_approve', 'Nothing is charged to the account.');

            $given = $act->given();
            $decision = $check->decision;
            $words = implode(', ', array_map(static fn (ChargeReason $reason): string => ChargeWords::short($reason, $decision, $slip->account), $decision->reasons));
            $approval = $this->approve->handle($given, $act->by, 'charge', "{$slip->customer_name}, {$check->amount->toString()} charged: {$words}", $slip->id);
            $slip->forceFill([
                'charge_approval_id' => $approval->id,
                'charge_approved_for' => implode(',', array_map(static fn (ChargeReason $reason): string => $reason->value, $decision->reasons)),
                'charge_approved_over' => $decision->overBy->minor ?? 0,
            ])->save();
        });
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
                throw Refused::because('not_an_account', 'There is no house account to pay towards. The office can open one.');
            }

            $slip->forceFill(['on_account' => $amount?->minor])->save();
        });
    }
}
