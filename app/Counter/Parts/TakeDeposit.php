<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Shop\House;

/** Takes a deposit with the slip, or uses what is held towards what is due. Nothing is posted by it. */
final class TakeDeposit
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house)
    {
    }

    /**
     * @param  Money|null  $amount null: none after all
     * @param  string  $for the order it is kept for; empty: free
     *
     * @throws Refused no_customer, bad_amount
     */
    public function take(string $slipKey, Act $act, ?Money $amount, string $for): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($amount, $for): void {
            match (true) {
                $amount !== null && ! $amount->isPositive() => throw Refused::because(
                    'bad_amount',
                    'A deposit is more than nothing.',
                ),
                $amount !== null && $slip->customer_id === null => throw Refused::because(
                    'no_customer',
                    'A deposit needs a named customer. Put them on the slip first.',
                ),
                default => null,
            };
            $slip
                ->forceFill([
                    'deposit_in' => $amount,
                    'deposit_for' => $amount === null ? '' : mb_substr(trim($for), 0, 60),
                ])
                ->save();
        });
    }

    /** Uses what is free of the deposits held, as far as something is left to settle. */
    public function rest(string $slipKey, Act $act): Slip
    {
        $usable = ReckonedCounter::of($this->desk->read($slipKey, $act), $this->house)->due()->usableDeposit();

        return $this->use($slipKey, $act, $usable->isZero() ? null : $usable);
    }

    /**
     * @param  Money|null  $amount null: not by deposit after all
     *
     * @throws Refused bad_amount, over_deposit
     */
    public function use(string $slipKey, Act $act, ?Money $amount): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $amount): void {
            $this->desk->redraw($slip, $act);
            $held = $slip->deposits?->total() ?? $this->house->money(0);

            match (true) {
                $amount?->isNegative() === true => throw Refused::because(
                    'bad_amount',
                    'What is used of a deposit cannot be below zero.',
                ),
                $amount?->exceeds($held) === true => throw Refused::because(
                    'over_deposit',
                    'Only '.$held->toString().' is held for them in deposits.',
                ),
                default => null,
            };
            $slip->forceFill(['deposit_used' => $amount])->save();
        });
    }
}
