<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approve;

/** Somebody else allows what a slip asks for at one place, or all that it asks for, as it stands now and no further. */
final class ApproveNeeds
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly Approve $approve,
    ) {
    }

    /**
     * @param  string|null  $place "line.12", "charge", "refund"; null: everything
     *
     * @throws Refused nothing_to_approve, approval_missing, own_approval, beyond_approver
     */
    public function handle(string $slipKey, Act $act, ?string $place): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            fn (Slip $slip) => $this->within($slip, $act, $place),
            evenVoid: true,
        );
    }

    /** Within a change of the slip. */
    public function within(Slip $slip, Act $act, ?string $place): void
    {
        $this->desk->redraw($slip, $act);
        $needs = ReckonedCounter::of($slip, $this->house)->needs->open($place);
        $needs === [] && throw Refused::because('nothing_to_approve', 'Nothing there needs approval any more.');
        $this->approve->all($act->given(), $act->by, $needs, $slip->id);
    }
}
