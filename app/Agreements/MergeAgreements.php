<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Receivables\Accounts\FollowsMerge;
use Illuminate\Support\Facades\DB;

/** Agreements of the one that goes are the other's. */
final class MergeAgreements implements FollowsMerge
{
    public function merge(int $from, int $into): void
    {
        DB::table('agreements')->where('customer_id', $from)->update(['customer_id' => $into]);
    }
}
