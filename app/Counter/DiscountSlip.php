<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Shop\House;
use Elmstone\Staff\Approve;

/** Gives the whole slip a discount, or takes it off again. It takes a supervisor where a line falls below its floor by it. */
final class DiscountSlip
{
    public function __construct(private readonly SlipDesk $desk, private readonly House $house, private readonly Approve $approve)
    {
    }

    /** @throws Refused bad_percent, discount_too_large, below_floor */
    public function handle(string $slipKey, Act $act, string $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $typed): void {
            $discount = Reductions::typed($typed, $this->house->currency());
            $slip->forceFill([...Reductions::columns($discount), 'discount_approval_id' => null])->save();
            $reckoned = ReckonedCounter::of($slip->load('lines.item', 'cards'), $this->house);
            $below = $slip->lines->first(static fn (LineOnSlip $line): bool => $line->approval_id === null && $reckoned->check($line) !== PriceCheck::Fine);

            if ($discount === null || $below === null) {
                return;
            }

            if ($act->approval === null) {
                throw Refused::because('below_floor', "That takes “{$below->description}” below the lowest price the house accepts. A supervisor can approve.");
            }

            $approval = $this->approve->handle($act->approval, $act->by, 'slip_discount', 'Whole-slip discount '.Reductions::written($discount), $slip->id);
            $slip->forceFill(['discount_approval_id' => $approval->id])->save();
        });
    }
}
