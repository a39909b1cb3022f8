<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Support\Facades\DB;

/** With which number each series begins. Once a number was given out, the series goes on from there for ever. */
final class FirstNumbers
{
    /** @return array<string, int> the number each kind of document gets next */
    public static function next(): array
    {
        $next = [];

        foreach (DB::table('series')->get(['kind', 'last_number']) as $series) {
            $next[(string) $series->kind] = (int) $series->last_number + 1;
        }

        return $next;
    }

    /** @return array<string, int> how many documents there are of each kind */
    public static function given(): array
    {
        $given = [];

        foreach (DB::table('series')->orderBy('kind')->get(['kind', 'first_number', 'last_number']) as $series) {
            $given[(string) $series->kind] = (int) $series->last_number - (int) $series->first_number + 1;
        }

        return $given;
    }

    /** The number a series began with. */
    public static function of(string $kind): int
    {
        return max(1, (int) DB::table('series')->where('kind', $kind)->value('first_number'));
    }

    /** @return bool false: numbers of it were given out already */
    public static function begin(DocumentKind $kind, int $first): bool
    {
        return DB::table('series')
            ->where('kind', $kind->value)
            ->whereColumn('last_number', '<', 'first_number')
            ->update(['first_number' => $first, 'last_number' => $first - 1, 'summed' => $first - 1]) === 1
            || DB::table('series')
                ->where('kind', $kind->value)
                ->whereColumn('last_number', '<', 'first_number')
                ->where('first_number', $first)
                ->exists();
    }
}
