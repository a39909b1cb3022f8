<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Purchasing\Transfers\TransferState;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What suppliers and other locations still send, by item and place. */
final class GoodsOnTheirWay implements OnTheirWay
{
    public function byPlace(array $items): array
    {
        $found = [];

        foreach ($items === [] ? [] : $this->rows($items) as $row) {
            $before = $found[(int) $row->item_id][(int) $row->location_id] ?? BigDecimal::zero();
            $found[(int) $row->item_id][(int) $row->location_id] = $before->plus((string) $row->to_come);
        }

        return $found;
    }

    /**
     * @param  list<int>  $items
     * @return list<stdClass>
     */
    private function rows(array $items): array
    {
        $sent = DB::table('transfer_lines as l')
            ->join('transfers as t', 't.id', '=', 'l.transfer_id')
            ->whereIn('l.item_id', $items)
            ->where('t.state', TransferState::Sent)
            ->whereRaw('l.quantity > l.arrived + l.missing')
            ->selectRaw('l.item_id, t.to_id AS location_id, l.quantity - l.arrived - l.missing AS to_come');

        return array_values(DB::table('purchase_lines as l')
            ->join('purchases as p', 'p.id', '=', 'l.purchase_id')
            ->whereIn('l.item_id', $items)
            ->where('p.state', PurchaseState::Sent)
            ->whereRaw('l.quantity > l.received + l.cancelled')
            ->selectRaw('l.item_id, p.location_id, l.quantity - l.received - l.cancelled AS to_come')
            ->unionAll($sent)
            ->get()
            ->all());
    }
}
