<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Elmstone\Receivables\Accounts\FollowsMerge;

/** Plans of the one that goes belong to the other, as their items do. */
final class MergePlans implements FollowsMerge
{
    public function merge(int $from, int $into): void
    {
        Plan::query()
            ->where('customer_id', $from)
            ->update(['customer_id' => $into]);
    }
}
