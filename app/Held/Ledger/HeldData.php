<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Elmstone\Support\PersonalData;
use Illuminate\Support\Facades\DB;

/** Who has money here is not erased. */
final class HeldData implements PersonalData
{
    public function hinders(int $customer): ?string
    {
        return DB::table('held_accounts')->where('customer_id', $customer)->where('balance', '>', 0)->exists()
            ? 'Money of theirs is held: hand it out first.' : null;
    }

    public function shows(int $customer): array
    {
        $held = DB::table('held_accounts')->where('customer_id', $customer)->get(['kind', 'balance'])
            ->map(get_object_vars(...))->all();

        return ['money held' => array_values($held)];
    }

    public function erase(int $customer): void
    {
        // What moved is posted.
    }
}
