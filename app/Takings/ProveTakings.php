<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/** Proves takings: each row stands in a line of its day, documents took what their rows say, lists have their rows. */
final class ProveTakings implements Check
{
    public function prove(Proof $proof): void
    {
        $rows = DB::table('takings_rows')->count();
        $stand = Posted::lines()
            ->join('takings_rows as r', static fn ($join) => $join
                ->on('r.document_id', '=', 'l.document_id')
                ->on('r.position', '=', 'l.position'))
            ->where('l.direction', 'out')
            ->whereColumn('r.sold_on', 'd.business_date')
            ->count();
        $proof->same('takings', 'rows that stand in a line of their day', $stand, $rows);

        $taken = DB::table('takings_rows')->groupBy('document_id')->selectRaw('document_id, SUM(taken) AS taken');
        $wrong = Posted::documents()
            ->joinSub($taken, 'r', 'r.document_id', '=', 'd.id')
            ->whereRaw('r.taken <> d.total + d.cash_rounding')
            ->get(['d.label', 'r.taken']);

        foreach ($wrong as $row) {
            $proof->fault("{$row->label}: its rows of takings say {$row->taken}, and it took otherwise");
        }

        $lists = DB::table('takings as t')
            ->leftJoinSub(
                DB::table('takings_rows')->groupBy('taking_id')
                    ->selectRaw('taking_id, COUNT(*) AS n, SUM(taken) AS taken'),
                'r',
                'r.taking_id',
                '=',
                't.id',
            )
            ->whereRaw('(COALESCE(r.n, 0) <> t.count OR COALESCE(r.taken, 0) <> t.amount)')
            ->pluck('t.id');

        foreach ($lists as $list) {
            $proof->fault('takings '.(is_numeric($list) ? $list : '').': not the rows they were entered with');
        }

        $proof->checked('rows of takings', $rows);
    }
}
