<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/** Proves what came by links: each stands in a receipt over what its card paid, and no link brought more. */
final class ProveLinks implements Check
{
    public function prove(Proof $proof): void
    {
        $paid = Posted::tenders()
            ->join('link_payments as p', 'p.document_id', '=', 'd.id')
            ->where('t.kind', 'card')
            ->groupBy('p.id', 'p.asks', 'p.amount', 'd.label')
            ->get(['p.id', 'p.asks', 'p.amount', 'd.label', DB::raw('SUM(t.amount) AS tendered')]);
        $by = [];

        foreach ($paid as $row) {
            $proof->same($row->label, 'what its link brought', (int) $row->amount, (int) $row->tendered);
            $by[(string) $row->asks] = ($by[(string) $row->asks] ?? 0) + (int) $row->amount;
        }

        foreach ($by as $asks => $amount) {
            $asked = (int) (explode('-', $asks)[1] ?? 0);
            $amount > $asked && $proof->fault("link {$asks}: it brought more than it asks for");
        }

        $proof->same('payments by links', 'those in the books', LinkPayment::query()
            ->where('state', LinkPayment::PAID)->count(), $paid->count());
        $proof->checked('payments by links', $paid->count());
    }
}
