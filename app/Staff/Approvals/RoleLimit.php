<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

/** What a role may do of one matter by itself, and may allow others. Minor units; null: any amount. */
final readonly class RoleLimit
{
    public function __construct(
        public ?int $perDocument,
        public ?int $perOriginal,
        public ?int $perDay,
        public ?int $approves,
    ) {
    }

    public function mayApprove(int $amount): bool
    {
        return $this->approves === null || $amount <= $this->approves;
    }
}
