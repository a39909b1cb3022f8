<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Catalogue\Words;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Families by the words of their name, or by the code their items begin with. */
final class FindFamilies
{
    /** @return Collection<int, Family> those that have items on sale, with how many (`cells`) */
    public static function named(string $typed, int $limit): Collection
    {
        $words = array_slice(Words::in(str_replace('*', ' ', $typed)), 0, 6);

        return $words === [] ? new Collection : Family::query()
            ->where(static function ($query) use ($words, $typed): void {
                $query->where('code', preg_replace('/[^!-~]/', '', $typed) ?? '');
                $query->orWhere(static function ($query) use ($words): void {
                    foreach ($words as $word) {
                        $like = addcslashes($word, '%_\\');
                        $query->where(static fn ($one) => $one
                            ->where('name', 'like', "{$like}%")
                            ->orWhere('name', 'like', "% {$like}%"));
                    }
                });
            })
            ->select('families.*')
            ->selectSub(
                DB::table('items')->whereColumn('family_id', 'families.id')->where('active', true)
                    ->selectRaw('COUNT(*)'),
                'cells',
            )
            ->having('cells', '>', 0)
            ->orderBy('name')
            ->limit($limit)
            ->get();
    }
}
