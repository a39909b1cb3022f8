<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Core\Money\Money;

/** What a role may do of one matter by itself, and may allow others. Null: any amount. */
final readonly class RoleLimit
{
    public function __construct(
        public ?Money $perDocument,
        public ?Money $perOriginal,
        public ?Money $perDay,
        public ?Money $approves,
    ) {
    }

    public function allows(Money $onOneDocument): bool
    {
        return $this->perDocument === null || ! $onOneDocument->exceeds($this->perDocument);
    }

    public function mayApprove(Money $amount): bool
    {
        return $this->approves === null || ! $amount->exceeds($this->approves);
    }
}
