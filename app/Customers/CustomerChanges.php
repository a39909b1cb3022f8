<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Staff\Staff;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What was changed about a customer and what is agreed with them: by whom, from what, to what. Only ever added to. */
final class CustomerChanges
{
    public static function record(
        int $customer,
        Staff $by,
        string $what,
        string $before,
        string $after,
        string $reason = '',
    ): void {
        DB::table('customer_changes')->insert([
            'customer_id' => $customer,
            'staff_id' => $by->id,
            'what' => $what,
            'before' => mb_substr($before, 0, 255),
            'after' => mb_substr($after, 0, 255),
            'reason' => mb_substr(trim($reason), 0, 255),
        ]);
    }

    /** @return Collection<int, stdClass> newest first, each with the name of who did it as `by` */
    public static function of(int $customer, int $most, string ...$what): Collection
    {
        return DB::table('customer_changes as c')
            ->join('staff as s', 's.id', '=', 'c.staff_id')
            ->where('c.customer_id', $customer)
            ->when($what !== [], static fn ($query) => $query->whereIn('c.what', $what))
            ->orderByDesc('c.id')
            ->limit($most)
            ->get(['c.*', 's.name as by']);
    }
}
