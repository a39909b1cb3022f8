<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Staff\Staff;

/** That someone with the right to stands by something, and why: their PIN has been checked. */
final readonly class GivenApproval
{
    public function __construct(public Staff $approver, public string $reason)
    {
    }
}
