<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What the documents of a business day come to, of a location or of the house. */
final class DayFigures
{
    /** Minutes that are counted together in the course of a day. */
    private const SPAN = 60;

    public function __construct(
        private readonly House $house,
        private readonly CarbonImmutable $day,
        private readonly ?int $location,
    ) {
    }

    /**
     * What moved on each account, but what only goes from drawer to safe to bank.
     *
     * @return array<string, array{name: string, debit: Money, credit: Money}> by code, in the order of the accounts
     */
    public function accounts(): array
    {
        $accounts = [];
        $names = DB::table('accounts')->pluck('name', 'code');

        foreach (
            $this->documents()
                ->whereNotIn(
                    'd.purpose',
                    array_column(
                        [...Purpose::changingPlace(), ...Purpose::ofSuppliers(), ...Purpose::ofTheLedger()],
                        'value',
                    ),
                )
                ->join('journal_lines as j', 'j.document_id', '=', 'd.id')
                ->groupBy('j.account')
                ->orderBy('j.account')
                ->selectRaw('j.account, SUM(j.debit) AS debit, SUM(j.credit) AS credit')
                ->get() as $row
        ) {
            $accounts[(string) $row->account] = [
                'name' => (string) ($names[$row->account] ?? $row->account),
                'debit' => $this->house->money((int) $row->debit),
                'credit' => $this->house->money((int) $row->credit),
            ];
        }

        return $accounts;
    }

    /**
     * What went from drawer to safe to bank.
     *
     * @return list<array{purpose: Purpose, count: int, total: Money}>
     */
    public function places(): array
    {
        $rows = $this->documents()
            ->whereIn('d.purpose', array_column(Purpose::changingPlace(), 'value'))
            ->groupBy('d.purpose')
            ->selectRaw('d.purpose, COUNT(*) AS n, SUM(d.total) AS total')
            ->get();

        return array_values($rows->map(fn (object $row): array => [
            'purpose' => Purpose::from((string) $row->purpose),
            'count' => (int) $row->n,
            'total' => $this->house->money((int) $row->total),
        ])->all());
    }

    /**
     * What was sold and what came back, by department; a fee is of none.
     *
     * @return list<DepartmentSales>
     */
    public function departments(): array
    {
        $signed = static fn (string $column): string => "SUM(IF(l.direction = 'back', -l.{$column}, l.{$column}))";
        $rows = $this->sold()
            ->join('document_lines as l', 'l.document_id', '=', 'd.id')
            ->groupBy('l.department_id')
            ->orderBy('l.department_id')
            ->selectRaw(
                "l.department_id, {$signed('gross')} AS gross, "
                    ."{$signed('line_discount')} AS line_off, {$signed('coupon_discount')} AS coupons, "
                    ."{$signed('slip_discount')} AS slip_off, {$signed('net')} AS net, {$signed('cost')} AS cost, "
                    ."SUM(IF(l.direction = 'back', l.net, 0)) AS back, "
                    .'SUM(IF(d.exemption IS NULL, 0, '."IF(l.direction = 'back', -l.net, l.net))) AS exempt",
            )
            ->get();

        $names = DB::table('departments')->pluck('name', 'id');
        $name = static fn (?int $id): string => $id === null ? 'Fees' : (string) $names[$id];

        return array_values($rows->map(fn (object $row): DepartmentSales => new DepartmentSales(
            $name($row->department_id === null ? null : (int) $row->department_id),
            $this->house->money((int) $row->gross),
            $this->house->money((int) $row->line_off + (int) $row->coupons + (int) $row->slip_off),
            $this->house->money((int) $row->net),
            $this->house->money((int) $row->back),
            $this->house->money((int) $row->exempt),
            $this->house->money((int) $row->cost),
        ))->all());
    }

    /** @return list<array{name: string, rate: string, base: Money, amount: Money}> tax by component and rate */
    public function taxes(): array
    {
        $rows = $this->sold()
            ->join('document_taxes as t', 't.document_id', '=', 'd.id')
            ->groupBy('t.component', 't.name', 't.rate')
            ->orderBy('t.component')
            ->selectRaw('t.name, t.rate, SUM(t.base) AS base, SUM(t.amount) AS amount')
            ->get();

        return array_values($rows->map(fn (object $row): array => [
            'name' => (string) $row->name,
            'rate' => (string) $row->rate,
            'base' => $this->house->money((int) $row->base),
            'amount' => $this->house->money((int) $row->amount),
        ])->all());
    }

    /**
     * Sales by who sold and by the hour of the shop's clock.
     *
     * @return list<SalesOfAnHour>
     */
    public function hours(): array
    {
        $rows = $this->sold()
            ->groupBy('d.seller_id', 'd.kind', 'span')
            ->orderBy('d.seller_id')
            ->selectRaw(
                'd.seller_id, d.kind, FLOOR(TIMESTAMPDIFF(MINUTE, ?, d.posted_at) / ?) AS span, COUNT(*) AS n, '
                    .'SUM(d.net) AS net',
                [ShopTime::beginning($this->day)->format('Y-m-d H:i:s'), self::SPAN],
            )
            ->get();

        $names = Staff::query()->pluck('name', 'id');

        return array_values($rows->map(fn (object $row): SalesOfAnHour => new SalesOfAnHour(
            (string) ($names[$row->seller_id] ?? ''),
            // What is posted on another day, under this date, is of no hour of it.
            (int) $row->span < 0 || (int) $row->span > 23 ? null : (int) $row->span,
            $row->kind === DocumentKind::Invoice->value ? (int) $row->n : 0,
            $row->kind === DocumentKind::Invoice->value ? 0 : (int) $row->n,
            $this->house->money((int) $row->net),
        ))->all());
    }

    /**
     * The same weekday before.
     *
     * @return array<string, array{count: int, net: Money}> by day, the last one first
     */
    public function weeksBefore(int $weeks): array
    {
        $days = [];

        for ($back = 1; $back <= $weeks; $back++) {
            $days[$this->day->subWeeks($back)->format('Y-m-d')] = ['count' => 0, 'net' => $this->house->money(0)];
        }

        foreach (
            $this->at(array_keys($days))
                ->whereIn('d.purpose', self::selling())
                ->groupBy('d.business_date')
                ->selectRaw("d.business_date, SUM(d.kind = 'invoice') AS n, SUM(d.net) AS net")
                ->get() as $row
        ) {
            $days[(string) $row->business_date] = ['count' => (int) $row->n, 'net' => $this->house->money(
                (int) $row->net,
            )];
        }

        return $days;
    }

    /** Sales and what comes back. */
    private function sold(): Builder
    {
        return $this->documents()->whereIn('d.purpose', self::selling());
    }

    /** @return list<string> */
    private static function selling(): array
    {
        return array_column([Purpose::Sale, Purpose::Fee, Purpose::Void], 'value');
    }

    private function documents(): Builder
    {
        return $this->at([$this->day->format('Y-m-d')]);
    }

    /** @param  list<string>  $days */
    private function at(array $days): Builder
    {
        return DB::table('documents as d')
            ->whereIn('d.business_date', $days)
            // Of the house it is asked location by location, as its index has them.
            ->whereIn('d.location_id', $this->location === null ? Location::query()->pluck('id') : [$this->location]);
    }
}
