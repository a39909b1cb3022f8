<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\Markdown;
use Illuminate\Support\Facades\DB;

/**
 * What goods cost at each step: worked out once for every list price and lowest price a department has, and laid beside
 * the items by the database, as items are many and their prices few.
 */
final class AgedPrices
{
    private const NEVER = 65535;

    /** Stands for no lowest price, as a key has no room for nothing. */
    private const NO_FLOOR = '-1';

    /** The most memory each of the tables may take, in bytes: some ten million items. */
    private const MOST = 536_870_912;

    /** Lays out in memory the prices, what is on hand and when it came; they last until the next time. */
    public static function lay(Currency $currency): void
    {
        self::table(
            'aged_prices',
            'department_id BIGINT UNSIGNED, list_price DECIMAL(14, 4), floor_price DECIMAL(14, 4),
                since SMALLINT UNSIGNED, until SMALLINT UNSIGNED, step TINYINT UNSIGNED, price DECIMAL(14, 4),
                held_by_floor TINYINT UNSIGNED,
                KEY of_item USING BTREE (department_id, list_price, floor_price, since)',
        );
        DB::insert(
            "INSERT INTO aged_prices SELECT * FROM JSON_TABLE(?, '$[*]' COLUMNS (
                a BIGINT UNSIGNED PATH '$[0]', b DECIMAL(14, 4) PATH '$[1]', c DECIMAL(14, 4) PATH '$[2]',
                d SMALLINT UNSIGNED PATH '$[3]', e SMALLINT UNSIGNED PATH '$[4]', f TINYINT UNSIGNED PATH '$[5]',
                g DECIMAL(14, 4) PATH '$[6]', h TINYINT UNSIGNED PATH '$[7]'
            )) laid",
            [json_encode([...self::each($currency)], JSON_THROW_ON_ERROR)],
        );
        self::table(
            'aged_on_hand',
            'item_id BIGINT UNSIGNED PRIMARY KEY, on_hand DECIMAL(16, 4)',
            'SELECT item_id, SUM(on_hand) AS on_hand FROM stock WHERE on_hand > 0 GROUP BY item_id',
        );
        self::table(
            'aged_since',
            'item_id BIGINT UNSIGNED PRIMARY KEY, came DATE',
            "SELECT item_id, MAX(business_date) AS came FROM stock_movements
                WHERE why IN ('delivery', 'opening') GROUP BY item_id",
        );
    }

    /**
     * The items that do not have the price of their age, as a query over what was laid out: item_id, department_id,
     * step, days since goods came in, on_hand at all locations, price (null: they go back to their other prices) and
     * held_by_floor.
     *
     * @return array{string, list<string>} the query and what it binds
     */
    public static function due(CarbonImmutable $today): array
    {
        return [
            'SELECT i.id AS item_id, i.department_id, COALESCE(p.step, 0) AS step,
                GREATEST(0, COALESCE(DATEDIFF(?, c.came), 0)) AS days, COALESCE(h.on_hand, 0) AS on_hand, p.price,
                COALESCE(p.held_by_floor, 0) AS held_by_floor
            FROM items i
            LEFT JOIN aged_on_hand h ON h.item_id = i.id
            LEFT JOIN aged_since c ON c.item_id = i.id
            LEFT JOIN aged_prices p ON p.department_id = i.department_id AND p.list_price = i.list_price
                AND p.floor_price = COALESCE(i.floor_price, '.self::NO_FLOOR.')
                AND DATEDIFF(?, c.came) >= p.since AND DATEDIFF(?, c.came) < p.until
            WHERE i.active = 1 AND (i.marked_price IS NOT NULL OR h.on_hand > 0)
                AND NOT (p.price <=> i.marked_price)',
            array_fill(0, 3, $today->format('Y-m-d')),
        ];
    }

    private static function table(string $name, string $columns, string $of = ''): void
    {
        DB::unprepared('SET STATEMENT max_heap_table_size = '.self::MOST
            ." FOR CREATE OR REPLACE TEMPORARY TABLE {$name} ({$columns}) ENGINE = MEMORY {$of}");
    }

    /** @return iterable<list<scalar>> a row of `aged_prices` for each price and each step that makes it less */
    private static function each(Currency $currency): iterable
    {
        $departments = Steps::all();
        $prices = DB::table('items')
            ->whereIn('department_id', array_keys($departments))
            ->whereNotNull('list_price')
            ->distinct()
            ->get(['department_id', 'list_price', 'floor_price']);

        foreach ($prices as $one) {
            [$department, $list] = [(int) $one->department_id, (string) $one->list_price];
            $floor = $one->floor_price === null ? null : (string) $one->floor_price;

            foreach (self::steps($departments[$department], $list, $floor, $currency) as $step) {
                yield [$department, $list, $floor ?? self::NO_FLOOR, ...$step];
            }
        }
    }

    /** @return iterable<array{int, int, int, string, int}> since, until, step, price, held by the floor */
    private static function steps(Markdown $markdown, string $list, ?string $floor, Currency $currency): iterable
    {
        $price = UnitPrice::of($list);
        $least = $floor === null ? null : UnitPrice::of($floor);

        foreach ($markdown->steps as $i => $step) {
            $marked = $markdown->at($price, $step->after, $least, $currency);
            $until = ($markdown->steps[$i + 1] ?? null)->after ?? self::NEVER;

            // Where the floor stands above the list price, age makes nothing cheaper.
            if ($marked->price->isLessThan($price)) {
                yield [$step->after, $until, $marked->step, $marked->price->toString(), (int) $marked->heldByFloor];
            }
        }
    }
}
