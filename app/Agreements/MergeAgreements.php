<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Receivables\Accounts\FollowsMerge;
use Illuminate\Support\Facades\DB;

/** Agreements of the one that goes are the other's, with what is paid on them. */
final class MergeAgreements implements FollowsMerge
{
    public function __construct(private readonly HeldLedger $accounts)
    {
    }

    public function merge(int $from, int $into): void
    {
        $theirs = DB::table('agreements')->where('customer_id', $from)->orderBy('id')->lockForUpdate();
        $accounts = $theirs->pluck('account_id')->filter()->all();
        DB::table('agreements')->where('customer_id', $from)->update(['customer_id' => $into]);
        $this->accounts->giveTo($accounts, $into);
    }
}
