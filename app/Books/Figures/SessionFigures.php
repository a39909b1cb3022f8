<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** What the documents of a drawer's session come to; what sets the drawer itself is apart from what was taken in it. */
final class SessionFigures
{
    public function __construct(private readonly House $house)
    {
    }

    /**
     * What was taken in and handed out, by the journals: change, rounding and refunds are in it with their signs. A
     * cheque goes back out of the drawer it lies in, whichever till hands it back: the house's own comes from the bank,
     * and what was closed lies in the safe.
     *
     * @param  list<TenderKind>  $ways
     * @param  CarbonImmutable|null  $closed when it was; null: it is not
     * @return array<string, array{in: Money, out: Money}> by way of paying
     */
    public function moved(int $session, array $ways, ?CarbonImmutable $closed): array
    {
        $none = $this->house->money(0);
        $by = [];

        foreach ($ways as $way) {
            $by[Accounts::tender($way)] = $way->value;
        }

        $moved = array_fill_keys(array_values($by), ['in' => $none, 'out' => $none]);

        foreach (
            $this->taken($session)
                ->join('journal_lines as j', 'j.document_id', '=', 'd.id')
                ->whereIn('j.account', array_keys($by))
                ->groupBy('j.account')
                ->selectRaw(
                    'j.account, SUM(j.debit) AS taken, SUM(IF(j.account = ?, 0, j.credit)) AS given',
                    [Accounts::tender(TenderKind::Cheque)],
                )
                ->get() as $row
        ) {
            $moved[$by[(string) $row->account]] = [
                'in' => $this->house->money((int) $row->taken),
                'out' => $this->house->money((int) $row->given),
            ];
        }

        if (isset($moved[TenderKind::Cheque->value])) {
            $moved[TenderKind::Cheque->value]['out'] = $this->chequesBack($session, $closed);
        }

        return $moved;
    }

    /** What of the cheques that came in by it was handed back while they lay there. */
    private function chequesBack(int $session, ?CarbonImmutable $closed): Money
    {
        $back = $this->taken($session)
            ->join('documents as r', 'r.refers_to_id', '=', 'd.id')
            ->join('journal_lines as j', 'j.document_id', '=', 'r.id')
            ->whereIn('r.purpose', array_column(Purpose::handingBack(), 'value'))
            ->when($closed !== null, static fn (Builder $all) => $all->where('r.posted_at', '<', $closed))
            ->where('j.account', Accounts::tender(TenderKind::Cheque))
            ->sum('j.credit');

        return $this->house->money((int) $back);
    }

    /**
     * What else was paid with, of which there is nothing to count.
     *
     * @param  list<TenderKind>  $ways
     * @return array<string, Money> by way of paying; only what was used
     */
    public function tendered(int $session, array $ways): array
    {
        $tendered = [];

        foreach (
            $this->taken($session)
                ->join('document_tenders as t', 't.document_id', '=', 'd.id')
                ->whereIn('t.kind', array_column($ways, 'value'))
                ->groupBy('t.kind')
                ->selectRaw("t.kind, SUM(IF(d.kind IN ('credit_note', 'refund'), -t.amount, t.amount)) AS amount")
                ->get() as $row
        ) {
            $tendered[(string) $row->kind] = $this->house->money((int) $row->amount);
        }

        return $tendered;
    }

    /**
     * The cheques that came in and were not handed back, in the order they came.
     *
     * @return list<TakenCheque>
     */
    public function cheques(int $session): array
    {
        $rows = $this->taken($session)
            ->join('document_tenders as t', 't.document_id', '=', 'd.id')
            ->leftJoin('documents as r', static fn (JoinClause $reversed) => $reversed
                ->on('r.refers_to_id', '=', 'd.id')
                ->whereIn('r.purpose', array_column(Purpose::handingBack(), 'value')))
            ->where('t.kind', TenderKind::Cheque->value)
            ->whereIn('d.kind', [DocumentKind::Invoice->value, DocumentKind::Receipt->value])
            ->whereNull('r.id')
            ->orderBy('d.id')
            ->orderBy('t.position')
            ->get(['d.id', 't.position', 'd.label', 'd.customer_name', 't.reference', 't.amount']);

        return array_values(
            $rows->map(fn (object $row): TakenCheque => new TakenCheque(
                (int) $row->id,
                (int) $row->position,
                (string) $row->label,
                (string) $row->customer_name,
                (string) $row->reference,
                $this->house->money((int) $row->amount),
            ))->all(),
        );
    }

    /** @return list<CarbonImmutable> the business dates of what was taken in it, in order */
    public function dates(int $session): array
    {
        return array_values(
            $this->taken($session)
                ->distinct()
                ->orderBy('d.business_date')
                ->pluck('d.business_date')
                ->map(static fn (mixed $day): CarbonImmutable => CarbonImmutable::parse((string) $day, 'UTC'))
                ->all(),
        );
    }

    public function count(int $session): int
    {
        return $this->taken($session)->count();
    }

    /**
     * What set the drawer: float, takings to the safe, what was over or short.
     *
     * @return array<string, Money> by purpose and way, "till_short cash"
     */
    public function set(int $session): array
    {
        $set = [];

        foreach (
            DB::table('documents as d')
                ->join('document_tenders as t', 't.document_id', '=', 'd.id')
                ->where('d.session_id', $session)
                ->whereIn('d.purpose', array_column(Purpose::settingDrawers(), 'value'))
                ->groupBy('d.purpose', 't.kind')
                ->selectRaw('d.purpose, t.kind, SUM(t.amount) AS amount')
                ->get() as $row
        ) {
            $set["{$row->purpose} {$row->kind}"] = $this->house->money((int) $row->amount);
        }

        return $set;
    }

    /**
     * Documents by which something went over the counter, and that belong to no session.
     *
     * @return list<string> their labels
     */
    public function without(): array
    {
        $outside = [Purpose::ReturnedPayment, ...Purpose::ofTheBank()];

        return array_values(
            DB::table('documents as d')
                ->join('document_tenders as t', 't.document_id', '=', 'd.id')
                ->whereNull('d.session_id')
                ->whereNotIn('d.purpose', array_column($outside, 'value'))
                ->where('t.kind', '<>', TenderKind::BankTransfer->value)
                ->distinct()
                ->pluck('d.label')
                ->map(strval(...))
                ->all(),
        );
    }

    private function taken(int $session): Builder
    {
        return DB::table('documents as d')
            ->where('d.session_id', $session)
            ->whereNotIn('d.purpose', array_column(Purpose::settingDrawers(), 'value'));
    }
}
