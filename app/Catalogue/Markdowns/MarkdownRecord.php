<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Illuminate\Support\Facades\DB;

/** That age changed a price, put beside the other changes of an item's prices. */
final class MarkdownRecord
{
    private const FIELD = 'marked down by age';

    /** @param  list<array{int, string|null, string|null}>  $changes item, what it was, what it became */
    public static function write(array $changes, int $staff): void
    {
        DB::table('price_changes')->insert(array_map(static fn (array $change): array => [
            'item_id' => $change[0],
            'staff_id' => $staff,
            'field' => self::FIELD,
            'was' => $change[1],
            'became' => $change[2],
        ], $changes));
    }

    /** All that was laid out as taken, at once. */
    public static function ofTaken(int $staff): void
    {
        [$was, $became] = [self::plain('was'), self::plain('became')];
        DB::insert(
            "INSERT INTO price_changes (item_id, staff_id, field, was, became)
                SELECT item_id, ?, ?, {$was}, {$became} FROM taken_prices ORDER BY item_id",
            [$staff, self::FIELD],
        );
    }

    /** A price as it is written, without the noughts a column keeps. */
    private static function plain(string $column): string
    {
        return "TRIM(TRAILING '.' FROM TRIM(TRAILING '0' FROM CAST({$column} AS CHAR)))";
    }
}
