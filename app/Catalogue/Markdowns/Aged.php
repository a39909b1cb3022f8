<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Elmstone\Core\Money\UnitPrice;
use Illuminate\Support\Facades\DB;

/** An item whose age may change its price, as the database answers. */
final readonly class Aged
{
    /**
     * @param  string  $onHand at all locations
     * @param  int  $days since goods last came in
     */
    private function __construct(
        public int $item,
        public int $department,
        public UnitPrice $list,
        public ?UnitPrice $floor,
        public ?UnitPrice $marked,
        public string $onHand,
        public int $days,
    ) {
    }

    /**
     * @param  string  $sql selects id, department_id, list_price, floor_price, marked_price, on_hand and days
     * @param  list<int|string>  $bound
     * @return iterable<self> one after the other, as they are many
     */
    public static function read(string $sql, array $bound): iterable
    {
        foreach (DB::cursor($sql, $bound) as $row) {
            $row = (array) $row;
            yield new self(
                self::whole($row['id']),
                self::whole($row['department_id']),
                self::price($row['list_price']) ?? UnitPrice::of('0'),
                self::price($row['floor_price']),
                self::price($row['marked_price']),
                is_string($row['on_hand']) ? $row['on_hand'] : '0',
                max(0, self::whole($row['days'])),
            );
        }
    }

    private static function whole(mixed $value): int
    {
        return is_numeric($value) ? (int) $value : 0;
    }

    private static function price(mixed $value): ?UnitPrice
    {
        return is_string($value) ? UnitPrice::of($value) : null;
    }
}
