<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

use Elmstone\Receivables\Accounts\FollowsMerge;
use Illuminate\Support\Facades\DB;

/** Cards of the one that goes are the other’s: they are the same person. */
final class MergeCards implements FollowsMerge
{
    public function merge(int $from, int $into): void
    {
        DB::table('cards_on_file')->where('customer_id', $from)->update(['customer_id' => $into]);
    }
}
