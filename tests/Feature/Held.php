<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\HeldKind;
use Illuminate\Support\Facades\DB;

/** What the shop holds for others, as it stands in the accounts. */
final class Held
{
    /**
     * @param  int|null  $customer null: for all of them
     * @return int minor units
     */
    public static function of(HeldKind $kind, ?int $customer = null): int
    {
        return (int) DB::table('held_accounts')
            ->where('kind', $kind->value)
            ->when($customer, static fn ($accounts, int $one) => $accounts->where('customer_id', $one))
            ->sum('balance');
    }
}
