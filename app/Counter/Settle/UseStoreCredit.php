<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** Uses a customer's store credit towards what is due. Nothing is posted by it. */
final class UseStoreCredit
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house)
    {
    }

    /** As far as something is left to settle. */
    public function rest(string $slipKey, Act $act): Slip
    {
        $usable = ReckonedCounter::of($this->desk->read($slipKey, $act), $this->house)->due()->usableStoreCredit();

        return $this->handle($slipKey, $act, $usable->isZero() ? null : $usable);
    }

    /**
     * @param  Money|null  $amount null: not this way after all
     *
     * @throws Refused bad_amount, over_store_credit
     */
    public function handle(string $slipKey, Act $act, ?Money $amount): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $amount): void {
            $this->desk->redraw($slip, $act);
            match (true) {
                $amount?->isNegative() === true => throw Refused::because(
                    'bad_amount',
                    'What is used of store credit cannot be below zero.',
                ),
                $amount?->exceeds($slip->storeCredit ?? $this->house->money(0)) === true => throw Refused::because(
                    'over_store_credit',
                    'Only '.Show::money($slip->storeCredit ?? $this->house->money(0)).' of store credit is theirs.',
                ),
                default => null,
            };
            $slip->forceFill(['store_credit_used' => $amount])->save();
        });
    }
}
