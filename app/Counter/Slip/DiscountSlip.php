<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approve;

/**
 * Gives the whole slip a discount, or takes it off again. It takes a supervisor where a line falls below its floor by
 * it.
 */
final class DiscountSlip
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly Approve $approve,
    ) {
    }

    /** @throws Refused bad_percent, discount_too_large, below_floor */
    public function handle(string $slipKey, Act $act, string $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $typed): void {
            $discount = Reductions::typed($typed, $this->house);
            Undo::discount($slip);
            $slip->forceFill(Reductions::columns($discount))->save();
            $this->desk->redraw($slip, $act);
            $needs = ReckonedCounter::of($slip, $this->house)->needs;
            $below = array_merge(
                ...$slip->lines->map(static fn (LineOnSlip $line): array => $needs->open("line.{$line->id}"))->all(),
            );

            if ($discount !== null && $below !== []) {
                $act->approval === null
                    ? throw Refused::because('needs_approval', "With that discount: {$below[0]->refused->getMessage()}")
                    : $this->approve->all($act->approval, $act->by, $below, $slip->id);
            }
        });
    }
}
