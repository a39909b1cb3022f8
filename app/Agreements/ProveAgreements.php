<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/** Proves what is promised: what is committed is what open agreements set aside; no piece is out or aside twice. */
final class ProveAgreements implements Check
{
    public function prove(Proof $proof): void
    {
        // A layaway sets all its goods aside where it was made; what an order sets aside is proved with the orders.
        $wanted = 'SELECT l.item_id, a.location_id, l.agreement_id, SUM(l.quantity) AS quantity FROM agreement_lines l '
            .'JOIN agreements a ON a.id = l.agreement_id AND a.revision = l.revision WHERE l.item_id IS NOT NULL AND '
            ."a.ended_on IS NULL AND a.kind = 'layaway' GROUP BY l.agreement_id, l.item_id, a.location_id";
        $off = DB::select(
            'SELECT s.item_id, s.location_id, s.committed, COALESCE(SUM(c.quantity), 0) AS wanted FROM stock s LEFT '
                .'JOIN commitments c ON c.item_id = s.item_id AND c.location_id = s.location_id GROUP BY s.item_id, '
                .'s.location_id, s.committed HAVING s.committed <> wanted',
        );

        foreach ($off as $row) {
            $proof->fault(
                "item {$row->item_id} at location {$row->location_id}: {$row->committed} is committed, open agreements "
                    ."set {$row->wanted} aside",
            );
        }

        $off = DB::select(
            "SELECT x.agreement_id, x.item_id FROM ({$wanted}) x LEFT JOIN commitments c ON c.agreement_id = "
                .'x.agreement_id AND c.item_id = x.item_id AND c.location_id = x.location_id '
                .'WHERE c.quantity IS NULL OR c.quantity <> x.quantity',
        );

        foreach ($off as $row) {
            $proof->fault(
                "agreement {$row->agreement_id}: its commitment of item {$row->item_id} is not what its lines say",
            );
        }

        $proof->same(
            'commitments of layaways',
            'their count',
            DB::table('commitments as c')
                ->join('agreements as a', 'a.id', '=', 'c.agreement_id')
                ->where('a.kind', 'layaway')
                ->count(),
            count(DB::select($wanted)),
        );
        $proof->same(
            'serial numbers',
            'those aside for an agreement that is not open',
            DB::table('item_serials as s')
                ->leftJoin('agreements as a', 'a.id', '=', 's.agreement_id')
                ->where('s.state', 'aside')
                ->where(static fn ($query) => $query->whereNull('a.id')->orWhereNotNull('a.ended_on'))
                ->count(),
            0,
        );
    }
}
