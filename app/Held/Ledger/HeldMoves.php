<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Support\Report\Period;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Money held by kind as of a day, and what moved in a time: from the entries. */
final class HeldMoves
{
    /** @return array<string, int> minor units held at the end of a day, by kind */
    public static function until(CarbonImmutable $day): array
    {
        return self::entries()
            ->where('e.business_date', '<=', $day->format('Y-m-d'))
            ->selectRaw('a.kind, CAST(SUM(e.amount) AS SIGNED) AS amount')
            ->pluck('amount', 'kind')
            ->map(static fn (mixed $amount): int => is_numeric($amount) ? (int) $amount : 0)
            ->all();
    }

    /** @return array<string, array{int, int}> what came and what left (below zero) in a time, by kind */
    public static function between(Period $period): array
    {
        $moved = [];

        foreach (
            self::entries()
                ->whereBetween('e.business_date', $period->dates())
                ->selectRaw('a.kind, SUM(IF(e.amount > 0, e.amount, 0)) AS came, SUM(IF(e.amount < 0, e.amount, 0)) AS '
                    .'gone')
                ->get() as $row
        ) {
            $moved[(string) $row->kind] = [(int) $row->came, (int) $row->gone];
        }

        return $moved;
    }

    private static function entries(): Builder
    {
        return DB::table('held_entries as e')
            ->join('held_accounts as a', 'a.id', '=', 'e.account_id')
            ->groupBy('a.kind');
    }
}
