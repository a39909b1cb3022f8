<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Figures\SoldDays;
use Elmstone\Books\LineColumns;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Proves card surcharges: each card that bore one says so as a line of its invoice does, no more of it came back than
 * was paid, and its account is the sum of the lines.
 */
final class ProveSurcharges implements Check
{
    public function prove(Proof $proof): void
    {
        $lines = $this->lines()
            ->where('direction', 'out')
            ->get(['id', 'position', 'label', 'total'])
            ->keyBy(static fn (object $line): string => "{$line->id}:{$line->position}");
        $paid = $lines->map(static fn (object $line): int => (int) $line->total);
        $asked = DB::table('card_requests')->whereNotNull('surcharge_line')
            ->get(['document_id', 'surcharge_line', 'surcharge_total', 'authorisation']);

        foreach ($asked as $card) {
            $line = $lines->pull("{$card->document_id}:{$card->surcharge_line}");
            $proof->same(
                "card payment {$card->authorisation}",
                'its surcharge as its invoice says it',
                (int) $card->surcharge_total,
                (int) ($line->total ?? 0),
            );
        }

        foreach ($lines as $line) {
            $proof->fault("{$line->label}: a card surcharge that no card paid");
        }

        foreach (
            $this->lines()->where('direction', 'back')
                ->groupBy('origin_document_id', 'origin_position')
                ->get(['origin_document_id', 'origin_position', DB::raw('SUM(total) AS total')]) as $back
        ) {
            (int) $back->total > ($paid["{$back->origin_document_id}:{$back->origin_position}"] ?? 0) && $proof->fault(
                "document {$back->origin_document_id}: more of its card surcharge came back than was paid",
            );
        }

        $proof->same(
            'card surcharges',
            'the lines that say them',
            (int) Posted::journal()->where('j.account', Accounts::SURCHARGES)
                ->whereIn('d.purpose', SoldDays::purposes())
                ->sum(DB::raw('j.credit - j.debit')),
            (int) $this->lines()->sum(DB::raw("IF(direction = 'out', 1, -1) * untaxed")),
        );
        $proof->checked('card surcharges', $asked->count());
    }

    /** As rows of their own: what each comes to without tax and with it, minor units. */
    private function lines(): Builder
    {
        $lines = Posted::lines()
            ->whereNull('l.item_id')
            ->whereNull('l.department_id')
            ->where('l.code', LineColumns::SURCHARGE)
            ->select(
                'd.id', 'd.label', 'd.tax_included', 'l.position', 'l.direction', 'l.net', 'l.origin_document_id',
                'l.origin_position', Posted::lineTax(),
            );

        return DB::query()->fromSub(
            DB::query()->fromSub($lines, 'these')
                ->select('id', 'label', 'position', 'direction', 'origin_document_id', 'origin_position')
                ->selectRaw('net - IF(tax_included, tax, 0) AS untaxed, net + IF(tax_included, 0, tax) AS total'),
            'surcharges',
        );
    }
}
