<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Core\Proof\Link;
use Elmstone\Support\Report\Period;
use Generator;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Documents as they were sealed: the text their digests are of, for who carries it out of the house. */
final class SealedText
{
    private const AT_ONCE = 500;

    /**
     * The part of each series that has all documents of a period.
     *
     * @return list<array{kind: string, first: int, last: int, before: string, end: string}>
     */
    public static function ranges(Period $period): array
    {
        $ranges = [];

        foreach (
            DB::table('documents')
                ->whereBetween('business_date', $period->dates())
                ->groupBy('kind')
                ->orderBy('kind')
                ->selectRaw('kind, MIN(number) AS first, MAX(number) AS last')
                ->get() as $row
        ) {
            $digest = static fn (int $number): string => (string) (DB::table('document_digests')
                ->where('kind', $row->kind)
                ->where('number', $number)
                ->value('digest') ?? Link::NONE);
            $ranges[] = [
                'kind' => (string) $row->kind,
                'first' => (int) $row->first,
                'last' => (int) $row->last,
                'before' => $digest((int) $row->first - 1),
                'end' => $digest((int) $row->last),
            ];
        }

        return $ranges;
    }

    /** @return Generator<string, string> the canonical JSON of each by its digest, in the order of its series */
    public static function between(string $kind, int $first, int $last): Generator
    {
        for ($from = $first; $from <= $last; $from += self::AT_ONCE) {
            $seals = DB::table('document_digests')
                ->where('kind', $kind)
                ->whereBetween('number', [$from, min($last, $from + self::AT_ONCE - 1)])
                ->orderBy('number')
                ->get();
            $says = Says::of(array_map(intval(...), $seals->pluck('document_id')->all()));

            foreach ($seals as $seal) {
                $parts = $says[(int) $seal->document_id] ?? [];

                yield (string) $seal->digest => Link::text($parts, (string) $seal->before);
            }
        }
    }

    /** @return Collection<int, stdClass> what was signed as days of a period were closed, and after it first */
    public static function signed(Period $period): Collection
    {
        return DB::table('signed_heads')->where('through', '>=', $period->dates()[0])->orderBy('id')->get();
    }
}
