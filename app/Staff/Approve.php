<?php

declare(strict_types=1);

namespace Elmstone\Staff;

/** Puts an approval on record. Also who has the right themselves gives their PIN and the reason. */
final class Approve
{
    /**
     * @param  string  $what short code, such as "below_floor"
     * @param  string  $detail what was allowed, in words
     */
    public function handle(GivenApproval $given, Staff $askedBy, string $what, string $detail, ?int $slipId): Approval
    {
        return Approval::query()->create([
            'asked_by' => $askedBy->id,
            'approved_by' => $given->approver->id,
            'slip_id' => $slipId,
            'what' => $what,
            'detail' => mb_substr($detail, 0, 255),
            'reason' => mb_substr($given->reason, 0, 255),
        ]);
    }
}
