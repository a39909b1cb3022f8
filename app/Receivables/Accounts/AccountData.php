<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Support\PersonalData;
use Illuminate\Support\Facades\DB;

/** A house account is closed before its customer is erased; what was called and promised about it goes. */
final class AccountData implements PersonalData
{
    public function hinders(int $customer): ?string
    {
        return HouseAccount::query()->where('customer_id', $customer)->whereNull('closed_on')->exists()
            ? 'Their house account is open: close it first.' : null;
    }

    public function shows(int $customer): array
    {
        $calls = DB::table('calls')->where('customer_id', $customer)->get()->map(get_object_vars(...))->all();

        return ['calls' => array_values($calls)];
    }

    public function erase(int $customer): void
    {
        DB::table('calls')->where('customer_id', $customer)->delete();
    }
}
