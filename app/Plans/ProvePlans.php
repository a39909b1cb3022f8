<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;

/**
 * Proves the plans: the parts of each sum to principal and charge, to the cent, and are what stands in the ledger; the
 * clearing account is zero for each of them.
 */
final class ProvePlans implements Check
{
    public function prove(Proof $proof): void
    {
        $rows = DB::select(
            <<<'SQL'
            SELECT p.label, p.principal + p.charge AS total, COALESCE(SUM(t.amount), 0) AS parts,
                COALESCE(SUM(i.amount), 0) AS items,
                   -(SELECT d.on_account
                       FROM documents d WHERE d.id = p.document_id) AS taken, COALESCE((SELECT c.total
                       FROM documents c WHERE c.id = p.charge_id), 0) AS charged, p.charge
            FROM plans p LEFT JOIN plan_parts t ON t.plan_id = p.id
                LEFT JOIN open_items i ON i.document_id = t.document_id AND i.due_date = t.due
            GROUP BY p.id, p.label, p.principal, p.charge, p.document_id, p.charge_id
            SQL
            ,
        );

        foreach ($rows as $row) {
            $proof->same((string) $row->label, 'the sum of its parts', (int) $row->parts, (int) $row->total);
            $proof->same(
                (string) $row->label,
                'the sum of its parts in the ledger',
                (int) $row->items,
                (int) $row->total,
            );
            $proof->same((string) $row->label, 'what it took over', (int) $row->taken, (int) $row->total);
            $proof->same((string) $row->label, 'its charge as invoiced', (int) $row->charged, (int) $row->charge);
            $proof->checked('plans that sum to the cent');
        }

        $proof->same(
            'payment plans',
            'the clearing account',
            (int) DB::table('journal_lines')->where('account', Accounts::PLAN_CLEARING)->sum(DB::raw('credit - debit')),
            0,
        );
    }
}
