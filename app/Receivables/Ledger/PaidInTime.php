<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Support\Report\Period;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** How each account paid in a time, weighted by amount, and what it owed at its end. */
final class PaidInTime
{
    /**
     * @return array<int, array<string, mixed>> by customer, minor units: charged, met, open, late; weighted and
     *     late_weighted: amounts met times days from the invoice, and from its due day where that was before; kept:
     *     promises kept of those made for a day of the period, as "2 of 3"
     */
    public static function of(Period $period, ?int $customer): array
    {
        [$from, $until] = $period->dates();
        $only = static fn (Builder $all, string $column): Builder => $customer === null
            ? $all : $all->where($column, $customer);
        $found = [];
        $none = [
            'charged' => 0, 'met' => 0, 'open' => 0, 'late' => 0, 'weighted' => 0, 'late_weighted' => 0, 'kept' => null,
        ];

        foreach (
            $only(DB::table('open_items as o'), 'o.customer_id')
                ->where('o.business_date', '<=', $until)
                ->where(static fn (Builder $any) => $any->where('o.open', '>', 0)->orWhere('o.moved_on', '>=', $from)
                    ->orWhere('o.business_date', '>=', $from))
                ->groupBy('o.customer_id')
                ->selectRaw(
                    "o.customer_id, SUM(IF(o.kind = 'charge' AND o.business_date >= ?, o.amount, 0)) AS charged, "
                        .'SUM(IF(o.kind = \'charge\', 1, -1) * (o.open + COALESCE((SELECT SUM(a.amount) FROM '
                        .'allocations a WHERE a.business_date > ? AND (a.charge_id = o.document_id OR a.credit_id = '
                        .'o.document_id)), 0))) AS open_then, '
                        ."SUM(IF(o.kind = 'charge' AND o.due_date < ?, o.open + COALESCE((SELECT SUM(a.amount) FROM "
                        .'allocations a WHERE a.business_date > ? AND a.charge_id = o.document_id), 0), 0)) AS late',
                    [$from, $until, $until, $until],
                )
                ->get() as $row
        ) {
            $found[(int) $row->customer_id] = [
                ...$none, 'charged' => (int) $row->charged, 'open' => (int) $row->open_then, 'late' => (int) $row->late,
            ];
        }

        foreach (
            $only(DB::table('allocations as a'), 'a.customer_id')
                ->join('open_items as o', 'o.document_id', '=', 'a.charge_id')
                ->whereBetween('a.business_date', [$from, $until])
                ->groupBy('a.customer_id')
                ->selectRaw('a.customer_id, SUM(a.amount) AS met, '
                    .'SUM(a.amount * DATEDIFF(a.business_date, o.business_date)) AS weighted, '
                    .'SUM(a.amount * GREATEST(0, DATEDIFF(a.business_date, o.due_date))) AS late_weighted')
                ->get() as $row
        ) {
            $found[(int) $row->customer_id] = [
                ...$found[(int) $row->customer_id] ?? $none, 'met' => (int) $row->met,
                'weighted' => (int) $row->weighted, 'late_weighted' => (int) $row->late_weighted,
            ];
        }

        foreach (self::promises($period, $customer) as $id => $words) {
            isset($found[$id]) && ($found[$id]['kept'] = $words);
        }

        return array_filter($found, static fn (array $one): bool => $one !== $none);
    }

    /** After how many days from the invoice an account paid in the year before a day; null: nothing was paid. */
    public static function daysOfTheYear(int $customer, CarbonImmutable $day): ?int
    {
        $paid = DB::table('allocations as a')
            ->join('open_items as o', 'o.document_id', '=', 'a.charge_id')
            ->where('a.customer_id', $customer)
            ->whereBetween('a.business_date', [$day->subYearNoOverflow()->format('Y-m-d'), $day->format('Y-m-d')])
            ->selectRaw('SUM(a.amount) AS met, SUM(a.amount * DATEDIFF(a.business_date, o.business_date)) AS weighted')
            ->sole();
        $met = (int) $paid->met;

        return $met > 0 ? intdiv(2 * (int) $paid->weighted + $met, 2 * $met) : null;
    }

    /** @return array<int, string> "2 of 3" by customer */
    private static function promises(Period $period, ?int $customer): array
    {
        $kept = [];

        foreach (
            DB::table('calls as c')
                ->whereNotNull('c.promised')
                ->whereBetween('c.promised_on', $period->dates())
                ->when($customer !== null, static fn (Builder $all) => $all->where('c.customer_id', $customer))
                ->groupBy('c.customer_id')
                ->selectRaw('c.customer_id, COUNT(*) AS n, SUM(c.promised <= COALESCE((SELECT SUM(o.amount) FROM '
                    ."open_items o WHERE o.customer_id = c.customer_id AND o.kind = 'credit' AND o.purpose = 'payment' "
                    .'AND o.business_date BETWEEN c.called_on AND c.promised_on), 0)) AS kept')
                ->get() as $row
        ) {
            $kept[(int) $row->customer_id] = "{$row->kept} of {$row->n}";
        }

        return $kept;
    }
}
