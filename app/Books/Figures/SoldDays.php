<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Carbon\CarbonImmutable;
use Elmstone\Books\Purpose;
use Elmstone\Support\Database\Snapshot;
use Elmstone\Support\LocalTime;
use Elmstone\Support\Report\Period;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What was sold on each day at each location, what came back taken off, by several things: summed with LedgerDays for
 * the documents that the series say, and from the lines for those that came since. Proved against the lines.
 */
final readonly class SoldDays
{
    /** What is summed of lines, as of a document `d` and its line `l`. */
    public const OF_LINES = "SUM(IF(l.direction = 'back', -l.net, l.net)) AS net, "
        ."SUM(IF(l.direction = 'back', -l.gross, l.gross)) AS gross, "
        ."SUM(IF(l.direction = 'back', -l.cost, l.cost)) AS cost, "
        ."SUM(IF(l.direction = 'back', -l.tax_total, l.tax_total)) AS tax, "
        ."SUM(IF(l.direction = 'back', -l.quantity, l.quantity)) AS quantity, "
        ."COUNT(DISTINCT IF(d.kind = 'invoice', d.id, NULL)) AS sales, "
        ."COUNT(DISTINCT IF(d.kind = 'invoice', NULL, d.id)) AS returns";

    /** The same columns of tenders `t`: what was paid, and on how many documents. */
    private const OF_TENDERS = 'SUM(IF(d.total < 0, -t.amount, t.amount)) AS net, 0 AS gross, 0 AS cost, 0 AS tax, '
        .'0 AS quantity, COUNT(DISTINCT d.id) AS sales, 0 AS returns';

    /** And of taxes `x`: net is what they are reckoned on, gross and cost what was charged and what went back. */
    private const OF_TAXES = 'SUM(x.base) AS net, SUM(IF(x.amount > 0, x.amount, 0)) AS gross, '
        .'SUM(IF(x.amount < 0, x.amount, 0)) AS cost, SUM(x.amount) AS tax, 0 AS quantity, COUNT(*) AS sales, '
        .'0 AS returns';

    /** Named at most of a kind and year. */
    private const MOST_FAULTS = 20;

    private const COLUMNS = ['net', 'gross', 'cost', 'tax', 'quantity', 'sales', 'returns'];

    /** What each day is summed by. */
    public const KINDS = ['all', 'hour', 'department', 'item', 'customer', 'tender', 'tax', 'exempt'];

    /** What of a day stands for a longer time: SQL over `business_date`. */
    private const DATES = [
        'day' => 'business_date',
        'week' => 'DATE_SUB(business_date, INTERVAL WEEKDAY(business_date) DAY)',
        'month' => "DATE_FORMAT(business_date, '%Y-%m')",
        'weekday' => 'WEEKDAY(business_date)',
        'location' => 'location_id',
    ];

    public function __construct(private LedgerDays $days)
    {
    }

    /** @return list<string> */
    public static function purposes(): array
    {
        return array_column([Purpose::Sale, Purpose::Fee, Purpose::Void], 'value');
    }

    /** Where a line belongs, by what is asked: SQL over `d` and `l`. */
    public static function place(string $by, Period $period): string
    {
        return match ($by) {
            'hour' => 'HOUR('.LocalTime::sql('d.posted_at', $period).')',
            'department' => 'COALESCE(l.department_id, 0)',
            'item' => "COALESCE(l.item_id, CONCAT('=', l.code))",
            'customer' => 'COALESCE(d.customer_id, 0)',
            'tender' => 't.kind',
            'tax' => "CONCAT_WS('|', x.component, x.rate, x.name)",
            'exempt' => "CONCAT_WS('|', COALESCE(JSON_VALUE(d.exemption, '$.certificate'), ''), d.customer_name)",
            'all' => "''",
            default => str_replace(['business_date', 'location_id'], ['d.business_date', 'd.location_id'],
                self::DATES[$by]),
        };
    }

    /**
     * @param  string  $by a kind, or what of a day stands for a longer time
     * @param  int|null  $location null: all
     * @param  bool  $isByLocation whether each place is told apart by location too
     * @return Collection<int, stdClass> place, location_id, the columns, and the last day of each
     */
    public function by(string $by, Period $period, ?int $location = null, bool $isByLocation = false): Collection
    {
        $this->days->catchUp();

        return Snapshot::of(function () use ($by, $period, $location, $isByLocation): Collection {
            $kind = isset(self::DATES[$by]) ? 'all' : $by;
            $rows = $this->summed($kind, $period, $location);

            foreach (LedgerDays::behind() as $series) {
                $rows->unionAll($this->since($kind, $period, $location, $series));
            }

            $key = self::DATES[$by] ?? 'place';
            $sums = implode(', ', array_map(
                static fn (string $column): string => "SUM({$column}) AS {$column}", self::COLUMNS,
            ));

            return DB::query()
                ->fromSub($rows, 'these')
                ->groupByRaw($isByLocation ? "{$key}, location_id" : $key)
                ->orderByRaw("CHAR_LENGTH({$key}), {$key}")
                ->selectRaw(
                    "{$key} AS place, MIN(location_id) AS location_id, {$sums}, MAX(business_date) AS last",
                )
                ->get();
        });
    }

    private function summed(string $kind, Period $period, ?int $location): Builder
    {
        return DB::table('sold_days')
            ->where('kind', $kind)
            ->whereBetween('business_date', $period->dates())
            ->when($location !== null, static fn (Builder $all) => $all->where('location_id', $location))
            ->select(['place', 'business_date', 'location_id', ...self::COLUMNS]);
    }

    /** The same of what the sums of a series do not know. */
    private function since(string $kind, Period $period, ?int $location, stdClass $series): Builder
    {
        return self::ofDocuments($kind, $period)
            ->where('d.kind', $series->kind)
            ->where('d.number', '>', $series->summed)
            ->whereBetween('d.business_date', $period->dates())
            ->when($location !== null, static fn (Builder $all) => $all->where('d.location_id', $location));
    }

    private static function ofDocuments(string $kind, Period $period): Builder
    {
        [$query, $sums] = match ($kind) {
            'tender' => [Posted::tenders(), self::OF_TENDERS],
            'tax' => [Posted::taxes(), self::OF_TAXES],
            'exempt' => [Posted::lines()->whereNotNull('d.exemption'), self::OF_LINES],
            default => [Posted::lines(), self::OF_LINES],
        };
        $place = self::place($kind, $period);

        return $query
            ->whereIn('d.purpose', self::purposes())
            ->groupByRaw("{$place}, d.business_date, d.location_id")
            ->selectRaw("{$place} AS place, d.business_date, d.location_id, {$sums}");
    }

    /** Adds what documents of a series sold to the sums. Inside the transaction in which the series says so. */
    public static function add(string $series, int $after, int $until): void
    {
        $days = Posted::documents()
            ->where('d.kind', $series)
            ->where('d.number', '>', $after)
            ->where('d.number', '<=', $until)
            ->whereIn('d.purpose', self::purposes())
            ->selectRaw('MIN(d.business_date) AS first, MAX(d.business_date) AS last')
            ->first();

        if (! is_string($days?->first) || ! is_string($days->last)) {
            return;
        }

        $period = Period::between(CarbonImmutable::parse($days->first), CarbonImmutable::parse($days->last));
        $columns = implode(', ', self::COLUMNS);
        $more = implode(', ', array_map(
            static fn (string $column): string => "{$column} = sold_days.{$column} + VALUES({$column})", self::COLUMNS,
        ));

        foreach (self::KINDS as $kind) {
            $rows = self::ofDocuments($kind, $period)
                ->where('d.kind', $series)
                ->where('d.number', '>', $after)
                ->where('d.number', '<=', $until);
            DB::insert(
                "INSERT INTO sold_days (kind, place, business_date, location_id, {$columns}) SELECT '{$kind}', "
                    ."these.* FROM ({$rows->toSql()}) these ON DUPLICATE KEY UPDATE {$more}",
                $rows->getBindings(),
            );
        }
    }

    /** @return list<stdClass> sums that are not what the documents say that they know: place, business_date, columns */
    public static function wrong(string $kind, Period $period): array
    {
        $each = static fn (string $form): array => array_map(
            static fn (string $column): string => sprintf($form, $column), self::COLUMNS,
        );
        $rows = self::ofDocuments($kind, $period)
            ->join('series as s', 's.kind', '=', 'd.kind')
            ->whereColumn('d.number', '<=', 's.summed')
            ->whereBetween('d.business_date', $period->dates())
            ->unionAll(DB::table('sold_days')
                ->where('kind', $kind)
                ->whereBetween('business_date', $period->dates())
                ->selectRaw('place, business_date, location_id, '.implode(', ', $each('-%1$s'))));

        return array_values(DB::query()
            ->fromSub($rows, 'both_sides')
            ->groupBy('place', 'business_date', 'location_id')
            ->havingRaw(implode(' OR ', $each('%1$s <> 0')))
            ->orderBy('business_date')
            ->limit(self::MOST_FAULTS)
            ->selectRaw('place, business_date, '.implode(', ', $each('SUM(%1$s) AS %1$s')))
            ->get()
            ->all());
    }
}
