<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Receivables\Accounts\FollowsMerge;

/** Layaways of the one that goes belong to the other. */
final class MergeLayaways implements FollowsMerge
{
    public function merge(int $from, int $into): void
    {
        Layaway::query()
            ->where('customer_id', $from)
            ->update(['customer_id' => $into]);
    }
}
