<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Origin;
use Elmstone\Support\TypedDay;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Rows of takings that stand in the books, as `r`, with their documents as `d`. */
final class EnteredRows
{
    private const MOST = 60;

    public static function labels(): Builder
    {
        return Posted::documents()->join('takings_rows as r', 'r.document_id', '=', 'd.id');
    }

    /** Who it was sold to, as it was written; empty: it is no row of takings, or nobody wrote it. */
    public static function who(Origin $origin): string
    {
        $who = DB::table('takings_rows')
            ->where('document_id', $origin->documentId)
            ->where('position', $origin->position)
            ->value('who');

        return is_string($who) ? $who : '';
    }

    /**
     * What was sold to somebody, or under a number of theirs, on a day or at any time: "Maren 14 Nov", "B-1042".
     *
     * @return list<array{int, int}> document and position, the newest first
     */
    public static function find(string $typed, CarbonImmutable $today): array
    {
        [$who, $day] = self::parted(trim($typed), $today);

        if (mb_strlen($who) < 2) {
            return [];
        }

        $like = addcslashes($who, '%_\\');
        $found = DB::table('takings_rows')
            ->where(static fn ($either) => $either
                ->where('number', $who)
                ->orWhere('who', 'like', "{$like}%")
                ->orWhere('who', 'like', "% {$like}%"))
            ->when($day !== null, static fn ($query) => $query->where('sold_on', $day?->format('Y-m-d')))
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get(['document_id', 'position']);

        return array_values(
            $found->map(static fn (object $row): array => [(int) $row->document_id, (int) $row->position])->all(),
        );
    }

    /** @return array{string, CarbonImmutable|null} who or which number, and the day, where one stands after it */
    private static function parted(string $typed, CarbonImmutable $today): array
    {
        $words = explode(' ', $typed);

        for ($n = 1; $n <= min(3, count($words) - 1); $n++) {
            $day = TypedDay::read(implode(' ', array_slice($words, -$n)), $today);

            if ($day !== null) {
                return [trim(implode(' ', array_slice($words, 0, -$n))), $day];
            }
        }

        return [$typed, null];
    }
}
