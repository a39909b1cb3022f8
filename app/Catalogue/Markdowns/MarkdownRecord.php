<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Illuminate\Support\Facades\DB;

/** That age changed a price, put beside the other changes of an item's prices. */
final class MarkdownRecord
{
    /** @param  list<array{int, string|null, string|null}>  $changes item, what it was, what it became */
    public static function write(array $changes, int $staff): void
    {
        DB::table('price_changes')->insert(array_map(static fn (array $change): array => [
            'item_id' => $change[0],
            'staff_id' => $staff,
            'field' => 'marked down by age',
            'was' => $change[1],
            'became' => $change[2],
        ], $changes));
    }
}
