<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Support\Facades\DB;

/**
 * Proves what came back: no line beyond its quantity, its money or its tax; every credit's money accounted for by where
 * it came from; nothing by a way beyond what came in by it; goods brought back and goods taken along even each other
 * out.
 */
final class ProveReturns implements Check
{
    public function __construct(private readonly House $house)
    {
    }

    public function prove(Proof $proof): void
    {
        $this->lines($proof);
        $this->shares($proof);
        $this->ways($proof);
        $clearing = DB::table('journal_lines')
            ->where('account', Accounts::EXCHANGE_CLEARING)
            ->sum(DB::raw('debit - credit'));
        $proof->same('goods brought back, clearing', 'the balance', (int) $clearing, 0);
        $proof->checked(
            'lines that came back, with their originals',
            DB::table('document_lines')->whereNotNull('origin_document_id')->count(),
        );
    }

    private function lines(Proof $proof): void
    {
        $beyond = <<<'SQL'
        SELECT d.label, o.position, o.quantity, o.net, o.tax_total, SUM(IF(b.goods_to = 'none', 0,
            b.quantity)) AS quantity_back, SUM(b.net) AS net_back, SUM(b.tax_total) AS tax_back
        FROM document_lines b
            JOIN document_lines o ON o.document_id = b.origin_document_id AND o.position = b.origin_position
            JOIN documents d ON d.id = o.document_id
        GROUP BY d.label, o.document_id, o.position, o.quantity, o.net, o.tax_total
            HAVING quantity_back > o.quantity OR net_back > o.net OR tax_back > o.tax_total
        SQL;

        foreach (DB::select($beyond) as $row) {
            $proof->fault(
                "{$row->label} line {$row->position}: more came back than was "
                    ."sold ({$row->quantity_back} of {$row->quantity}, {$row->net_back} of {$row->net})",
            );
        }
    }

    private function shares(Proof $proof): void
    {
        $off = <<<'SQL'
        SELECT d.label, l.back, COALESCE(s.shared, 0) AS shared FROM documents d
        JOIN (SELECT b.document_id, SUM(b.total) AS back
            FROM document_lines b WHERE b.direction = 'back' GROUP BY b.document_id) l ON l.document_id = d.id
        LEFT JOIN (SELECT document_id, SUM(amount) AS shared
            FROM return_shares GROUP BY document_id) s ON s.document_id = d.id
        WHERE l.back <> COALESCE(s.shared, 0)
        SQL;

        foreach (DB::select($off) as $row) {
            $proof->fault("{$row->label}: {$row->back} came back, {$row->shared} of it is accounted for");
        }

        $proof->checked(
            'credits accounted for by where they came from',
            DB::table('return_shares')->distinct()->count('document_id'),
        );
    }

    /**
     * Also of what was paid on a layaway: of every receipt only the share that went on it. What somebody allowed to go
     * by another money way is counted with its own approval.
     */
    private function ways(Proof $proof): void
    {
        foreach (
            DB::table('return_shares')
                ->whereNotNull('origin_document_id')
                ->distinct()
                ->orderBy('origin_document_id')
                ->pluck('origin_document_id')
                ->chunk(300) as $chunk
        ) {
            $ids = array_values(
                array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $chunk->all()),
            );
            $money = OriginMoney::of($this->house, $ids, PHP_INT_MAX);

            foreach ($ids as $document) {
                foreach ($money->beyond($document) as $way => $amount) {
                    if ($amount->exceeds($this->allowed($document, (string) $way))) {
                        $label = DB::table('documents')->where('id', $document)->value('label');
                        $proof->fault("{$label}: {$amount->toString()} more went back by {$way} than came in by it");
                    }
                }
            }
        }
    }

    /** What of an original was allowed to go back by another money way. */
    private function allowed(int $document, string $way): Money
    {
        $notes = DB::table('return_shares')->where('origin_document_id', $document)->distinct()->pluck('document_id');
        $needed = DB::table('document_approvals as k')
            ->join('approvals as a', 'a.id', '=', 'k.approval_id')
            ->whereIn('k.document_id', $notes)
            ->where('a.what', ApprovalKind::OtherWay->value)
            ->distinct()
            ->get(['k.document_id', 'k.needed']);

        return Money::sum(
            $needed->map(static function (object $row) use ($way): Money {
                $scope = Scope::fromJson(ApprovalKind::OtherWay, (string) $row->needed);

                return MoneyCast::read(($scope->same['way'] ?? '') === $way ? $scope->most['amount'] ?? 0 : 0);
            }),
            $this->house->currency(),
        );
    }
}
