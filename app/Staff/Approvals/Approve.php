<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;

/** Puts an approval on record: by another person than asks for it, up to what their role may allow. */
final class Approve
{
    public function __construct(private readonly Limits $limits)
    {
    }

    /** @throws Refused own_approval, beyond_approver */
    public function handle(GivenApproval $given, Staff $askedBy, Need $need, ?int $slipId): Approval
    {
        $this->assertMay($given, $askedBy, $need);

        return Approval::query()->create([
            'asked_by' => $askedBy->id,
            'approved_by' => $given->approver->id,
            'slip_id' => $slipId,
            'place' => $need->place,
            'what' => $need->scope->kind->value,
            'detail' => mb_substr($need->words, 0, 255),
            'reason' => mb_substr($given->reason, 0, 255),
            'figures' => $need->scope->toJson(),
        ]);
    }

    /** @throws Refused own_approval, beyond_approver */
    public function assertMay(GivenApproval $given, Staff $askedBy, Need $need): void
    {
        $approver = $given->approver;

        if ($approver->id === $askedBy->id) {
            throw Refused::because(
                'own_approval',
                "{$approver->name} asks for this, so somebody else has to approve it.",
            );
        }

        if (! $this->limits->of($approver->roleHere(), $need->matter)->mayApprove($need->amount)) {
            throw Refused::because(
                'beyond_approver',
                "{$approver->name} may not approve {$need->amount->toString()} of this. "
                    .$this->limits->whoMayApprove($need->matter, $need->amount),
            );
        }
    }

    /**
     * Several in one go, by the same approver.
     *
     * @param  array<Need>  $needs
     * @return list<Approval>
     *
     * @throws Refused own_approval, beyond_approver; nothing is approved then
     */
    public function all(GivenApproval $given, Staff $askedBy, array $needs, ?int $slipId): array
    {
        return array_values(
            array_map(fn (Need $need): Approval => $this->handle($given, $askedBy, $need, $slipId), $needs),
        );
    }
}
