<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Ability;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Doors\CheckPin;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Illuminate\Http\Request;

/**
 * Finds out whether what was typed into an approval field is an approval. Done before any transaction begins, so that a
 * wrong try stays counted whatever becomes of the act.
 */
final class CheckApproval
{
    public function __construct(private readonly CheckPin $checkPin, private readonly AtTill $atTill)
    {
    }

    /**
     * What was typed into the approval field of a page, if anything was.
     *
     * @throws Refused wrong_pin, locked, may_not_approve, reason_missing
     */
    public function given(Request $request): ?GivenApproval
    {
        $ask = ApprovalAsk::from($request);

        return $ask === null ? null : $this->handle($ask);
    }

    /** @throws Refused wrong_pin, locked, may_not_approve, reason_missing */
    public function handle(ApprovalAsk $ask): GivenApproval
    {
        $ask->assertReason();
        $approver = $this->checkPin->handle($ask->number, $ask->pin, $this->atTill->till()->id);

        if ($approver->mayDo(Ability::Approve)) {
            return new GivenApproval($approver, $ask->reason);
        }

        SecurityLog::write(SecurityEvent::Refused, $approver, 'may not approve');

        throw Refused::because('may_not_approve', "{$approver->name} may not approve this; a supervisor may.");
    }
}
