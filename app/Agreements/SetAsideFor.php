<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Illuminate\Support\Facades\DB;

/** For whom goods are set aside. */
final class SetAsideFor
{
    /**
     * @param  array<mixed>  $items ids
     * @return array<int, list<object>> name, label, quantity, by item
     */
    public static function of(array $items, int $location): array
    {
        $rows = DB::table('commitments as c')
            ->join('agreements as a', 'a.id', '=', 'c.agreement_id')
            ->join('customers as k', 'k.id', '=', 'a.customer_id')
            ->whereIn('c.item_id', $items)
            ->where('c.location_id', $location)
            ->orderBy('c.agreement_id')
            ->limit(20)
            ->get(['c.item_id', 'c.quantity', 'a.label', 'k.name']);
        $held = [];

        foreach ($rows as $row) {
            $held[(int) $row->item_id][] = $row;
        }

        return $held;
    }
}
