<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * The words of descriptions, by which items are found; codes have an index of their own. Each distinct word stands
 * once; a part of a word is looked for among the few thousand words and not among the many items.
 */
final class Words
{
    /** @return list<string> lower case, without accents, each once */
    public static function in(string $text): array
    {
        $words = preg_split('/[^\p{L}\p{N}.×\/]+/u', Str::lower(Str::ascii($text)), -1, PREG_SPLIT_NO_EMPTY);

        return array_values(
            array_unique(
                array_map(
                    static fn (string $word): string => mb_substr(trim($word, './'), 0, 60),
                    $words === false ? [] : $words,
                ),
            ),
        );
    }

    /**
     * Writes down the words of items; what was written for them before goes.
     *
     * @param  array<int, string>  $texts by item id
     */
    public static function index(array $texts): void
    {
        $words = array_map(self::in(...), $texts);
        $all = array_values(array_unique(array_merge(...array_values($words))));
        DB::table('words')->insertOrIgnore(array_map(static fn (string $word): array => ['word' => $word], $all));
        $ids = DB::table('words')->whereIn('word', $all)->pluck('id', 'word');
        $rows = [];

        foreach ($words as $item => $itsWords) {
            foreach ($itsWords as $word) {
                $rows[] = ['word_id' => $ids[$word], 'item_id' => $item];
            }
        }

        DB::table('item_words')->whereIn('item_id', array_keys($texts))->delete();

        foreach (array_chunk($rows, 2000) as $chunk) {
            DB::table('item_words')->insert($chunk);
        }
    }
}
