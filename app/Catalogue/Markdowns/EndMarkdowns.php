<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Illuminate\Support\Facades\DB;

/** New goods came in: what the old ones were marked down to ends by itself. */
final class EndMarkdowns
{
    /** @param  list<int>  $items ids, which are locked */
    public static function of(array $items, int $staff): void
    {
        $marked = DB::table('items')->whereIn('id', $items)->whereNotNull('marked_price')->pluck('marked_price', 'id');
        $changes = [];

        foreach ($marked as $item => $price) {
            $changes[] = [(int) $item, is_string($price) ? rtrim(rtrim($price, '0'), '.') : null, null];
        }

        if ($changes !== []) {
            DB::table('items')->whereIn('id', array_column($changes, 0))
                ->update(['marked_price' => null, 'marked_on' => null]);
            MarkdownRecord::write($changes, $staff);
        }
    }
}
