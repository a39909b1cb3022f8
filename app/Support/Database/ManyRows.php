<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Illuminate\Support\Facades\DB;

/** One column of many rows, each to a figure of its own, in a statement for every few hundred rows. */
final class ManyRows
{
    private const AT_ONCE = 200;

    /**
     * @param  list<string>  $key columns that name a row
     * @param  list<array{list<int|string>, string}>  $rows values of the key, and the figure, in the order of the keys
     * @param  bool  $adds the figure is added to what stands there
     */
    public static function set(string $table, array $key, string $column, array $rows, bool $adds = false): void
    {
        $row = '('.implode(', ', $key).')';
        $marks = '('.implode(', ', array_fill(0, count($key), '?')).')';

        foreach (array_chunk($rows, self::AT_ONCE) as $chunk) {
            $case = [];
            $keys = [];

            foreach ($chunk as [$values, $figure]) {
                array_push($case, ...[...$values, $figure]);
                array_push($keys, ...$values);
            }

            DB::update(
                "UPDATE {$table} SET {$column} = ".($adds ? "{$column} + " : '').'CASE '
                    .str_repeat("WHEN {$row} = {$marks} THEN CAST(? AS DECIMAL(14, 4)) ", count($chunk))
                    ."ELSE {$column} END WHERE {$row} IN (".implode(', ', array_fill(0, count($chunk), $marks)).')',
                [...$case, ...$keys],
            );
        }
    }
}
