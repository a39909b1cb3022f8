<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Approve;

/** Somebody with the right to allows that what is set aside for others goes with this slip. */
final class ApproveCommitted
{
    public function __construct(private readonly SlipDesk $desk, private readonly Approve $approve)
    {
    }

    /** @throws Refused approval_missing */
    public function handle(string $slipKey, int $lineId, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($lineId, $act): void {
            $line = $slip->lines()->findOrFail($lineId);
            $given = $act->given();
            $approval = $this->approve->handle($given, $act->by, 'committed', "{$line->quantity} × {$line->code} {$line->description}, set aside for others", $slip->id);
            $line->update(['committed_approval_id' => $approval->id]);
        });
    }
}
