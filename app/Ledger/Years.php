<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Purpose;
use Elmstone\Shop\Shop;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Years of the house: where they end, and what closed them. */
final class Years
{
    /** The last day of the year a day is in. */
    public static function endOf(CarbonImmutable $day, int $month): CarbonImmutable
    {
        $end = $day->setDate($day->year, $month, 1)->endOfMonth()->startOfDay();

        return $day->startOfDay()->greaterThan($end)
            ? $day->setDate($day->year + 1, $month, 1)->endOfMonth()->startOfDay()
            : $end;
    }

    /** The last day of the year that is closed next; null: none is over. */
    public static function next(Shop $shop, CarbonImmutable $today): ?CarbonImmutable
    {
        $first = Posted::documents()->min('d.business_date');
        $from = $shop->years_closed_through?->addDay()
            ?? (is_string($first) ? CarbonImmutable::parse($first) : $today);
        $end = self::endOf($from, $shop->year_ends);

        return $end->lessThan($today->startOfDay()) ? $end : null;
    }

    /**
     * What closing and opening years did to accounts in a time.
     *
     * @return array<string, array{int, int}> debits and credits in minor units, by account
     */
    public static function moved(?CarbonImmutable $from, CarbonImmutable $until, ?int $location): array
    {
        $moved = [];

        foreach (
            self::journal()
                ->when($from !== null, static fn (Builder $all) => $all
                    ->where('d.business_date', '>=', $from?->format('Y-m-d')))
                ->where('d.business_date', '<=', $until->format('Y-m-d'))
                ->when($location !== null, static fn (Builder $all) => $all->where('d.location_id', $location))
                ->groupBy('j.account')
                ->selectRaw('j.account, SUM(j.debit) AS debit, SUM(j.credit) AS credit')
                ->get() as $row
        ) {
            $moved[(string) $row->account] = [(int) $row->debit, (int) $row->credit];
        }

        return $moved;
    }

    /** @return Collection<int, stdClass> those that were closed, the last first */
    public static function closed(): Collection
    {
        return Posted::documents()
            ->join('years as y', 'y.document_id', '=', 'd.id')
            ->orderByDesc('y.id')
            ->get(['y.id', 'y.ends_on', 'y.reopened_by_id', 'y.reason', 'd.label', 'd.total', 'd.posted_at']);
    }

    /** Found by the rows of years, which are few and read first: the database would ask for them at each document. */
    private static function journal(): Builder
    {
        $years = DB::table('years')->get(['document_id', 'reopened_by_id']);

        return Posted::journal()
            ->whereIn('d.id', [...$years->pluck('document_id'), ...$years->pluck('reopened_by_id')->filter()])
            ->whereIn('d.purpose', array_column(Purpose::ofTheYear(), 'value'));
    }
}
