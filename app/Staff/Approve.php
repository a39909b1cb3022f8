<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Core\Money\Refused;

/** Records that someone with the right to allowed something. Someone who has the right themselves only gives the reason. */
final class Approve
{
    public function __construct(private readonly CheckPin $checkPin)
    {
    }

    /**
     * @param  string  $what short code, such as "below_floor"
     * @param  string  $detail what was allowed, in words
     *
     * @throws Refused wrong_pin, locked, may_not_approve, reason_missing
     */
    public function handle(ApprovalAsk $ask, Staff $askedBy, string $what, string $detail, ?int $slipId): Approval
    {
        $ask->assertReason();
        $approver = $this->checkPin->handle($ask->number, $ask->pin);

        if (! $approver->mayDo(Ability::Approve)) {
            throw Refused::because('may_not_approve', "{$approver->name} may not approve this; a supervisor may.");
        }

        return Approval::query()->create([
            'asked_by' => $askedBy->id,
            'approved_by' => $approver->id,
            'slip_id' => $slipId,
            'what' => $what,
            'detail' => mb_substr($detail, 0, 255),
            'reason' => mb_substr($ask->reason, 0, 255),
        ]);
    }
}
