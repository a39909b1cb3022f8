<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\Accounts;
use Elmstone\Books\Check;
use Elmstone\Books\Proof;
use Illuminate\Support\Facades\DB;

/**
 * Proves what came back: no line beyond its quantity, its money or its tax; every credit's money accounted for by where it came from; nothing by a way beyond what came in by it;
 * goods brought back and goods taken along even each other out.
 */
final class ProveReturns implements Check
{
    public function prove(Proof $proof): void
    {
        $this->lines($proof);
        $this->shares($proof);
        $this->ways($proof);
        $clearing = DB::table('journal_lines')->where('account', Accounts::EXCHANGE_CLEARING)->sum(DB::raw('debit - credit'));
        $proof->same('goods brought back, clearing', 'the balance', (int) $clearing, 0);
        $proof->checked('lines that came back, with their originals', DB::table('document_lines')->whereNotNull('origin_document_id')->count());
    }

    private function lines(Proof $proof): void
    {
        $beyond = <<<'SQL'
            SELECT d.label, o.position, o.quantity, o.net, o.tax_total, SUM(IF(b.goods_to = 'none', 0, b.quantity)) AS quantity_back, SUM(b.net) AS net_back, SUM(b.tax_total) AS tax_back
            FROM document_lines b JOIN document_lines o ON o.document_id = b.origin_document_id AND o.position = b.origin_position JOIN documents d ON d.id = o.document_id
            GROUP BY d.label, o.document_id, o.position, o.quantity, o.net, o.tax_total HAVING quantity_back > o.quantity OR net_back > o.net OR tax_back > o.tax_total
            SQL;

        foreach (DB::select($beyond) as $row) {
            $proof->fault("{$row->label} line {$row->position}: more came back than was sold ({$row->quantity_back} of {$row->quantity}, {$row->net_back} of {$row->net})");
        }
    }

    private function shares(Proof $proof): void
    {
        $off = <<<'SQL'
            SELECT d.label, l.back, COALESCE(s.shared, 0) AS shared FROM documents d
            JOIN (SELECT b.document_id, SUM(b.total) AS back FROM document_lines b WHERE b.direction = 'back' GROUP BY b.document_id) l ON l.document_id = d.id
            LEFT JOIN (SELECT document_id, SUM(amount) AS shared FROM return_shares GROUP BY document_id) s ON s.document_id = d.id
            WHERE l.back <> COALESCE(s.shared, 0)
            SQL;

        foreach (DB::select($off) as $row) {
            $proof->fault("{$row->label}: {$row->back} came back, {$row->shared} of it is accounted for");
        }

        $proof->checked('credits accounted for by where they came from', DB::table('return_shares')->distinct()->count('document_id'));
    }

    /** What was paid on a layaway came in by other documents, and is bounded when it goes back. */
    private function ways(Proof $proof): void
    {
        $beyond = <<<'SQL'
            SELECT d.label, s.way, s.amount, COALESCE(t.amount, 0) AS came_in FROM (
                SELECT origin_document_id, IF(pool = 'charged', 'house_account', way) AS way, SUM(amount) AS amount FROM return_shares
                WHERE origin_document_id IS NOT NULL AND (pool = 'charged' OR way IN ('cash', 'card', 'cheque', 'bank_transfer', 'deposit_held')) GROUP BY 1, 2
            ) s JOIN documents d ON d.id = s.origin_document_id
            LEFT JOIN (SELECT document_id, kind, SUM(amount) AS amount FROM document_tenders GROUP BY document_id, kind) t ON t.document_id = s.origin_document_id AND t.kind = s.way
            WHERE s.amount > COALESCE(t.amount, 0) - IF(s.way = 'cash', d.cash_rounding, 0) AND NOT EXISTS (SELECT 1 FROM document_tenders m WHERE m.document_id = s.origin_document_id AND m.kind = 'layaway_money')
            SQL;

        foreach (DB::select($beyond) as $row) {
            $proof->fault("{$row->label}: {$row->amount} went back by {$row->way}, {$row->came_in} came in by it");
        }
    }
}
