<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Core\Money\UnitPrice;
use Illuminate\Support\Facades\DB;

/**
 * The only place that writes stock. Rows are always taken in the order of item and location, so that two tills never
 * wait for each other in a circle; what is taken is recorded in the same transaction, with what it does to the
 * inventory account.
 */
final class StockLedger
{
    private const ROWS_AT_ONCE = 1000;

    public function __construct(private readonly Serials $serials)
    {
    }

    /**
     * Locks everything a transaction will move, before it takes a number of a series: items (what leaves shares them,
     * what comes in has them alone, as it may change their cost), then stock rows, then single pieces, each in the
     * order of their keys.
     *
     * @return array<int, UnitPrice> what the items cost now, per unit of their price, by id
     */
    public function lock(GoodsMoving $goods): array
    {
        if ($goods->items === []) {
            return [];
        }

        $ids = array_keys($goods->items);
        sort($ids);
        $costs = DB::table('items')
            ->whereIn('id', $ids)
            ->orderBy('id')
            ->lock($goods->comingIn === [] ? 'LOCK IN SHARE MODE' : true)
            ->pluck('cost', 'id')
            ->all();
        // By their key and no other index: two ways to the same rows are two orders of locks.
        DB::table('stock')
            ->forceIndex('PRIMARY')
            ->whereIn('item_id', $ids)
            ->when(
                $goods->comingIn === [],
                static fn ($query) => $query->whereIn('location_id', array_keys($goods->locations)),
            )
            ->orderBy('item_id')
            ->orderBy('location_id')
            ->lockForUpdate()
            ->get(['item_id']);
        $this->serials->lock($goods);

        return array_map(static fn (mixed $cost): UnitPrice => UnitPrice::of(is_string($cost) ? $cost : '0'), $costs);
    }

    /**
     * Holds the items that lines are about to point to, where nothing is moved: each line that is written holds its
     * item, and lines stand in any order.
     *
     * @param  array<int|null>  $items ids
     */
    public static function holdItems(array $items): void
    {
        DB::table('items')
            ->whereIn('id', array_filter($items, is_int(...)))
            ->orderBy('id')
            ->sharedLock()
            ->pluck('id');
    }

    /**
     * Changes what is on hand, and so locks those rows until the transaction ends.
     *
     * @param  list<StockMove>  $moves
     */
    public function take(array $moves): void
    {
        $this->change('on_hand', $moves);
    }

    /**
     * Changes what is set aside for somebody; what is on hand stays.
     *
     * @param  list<StockMove>  $moves above zero: set aside; below zero: set free again
     */
    public function commit(array $moves): void
    {
        $this->change(
            'committed',
            array_values(array_filter($moves, static fn (StockMove $move): bool => $move->quantity->isPositive())),
        );
        $freed = array_filter($moves, static fn (StockMove $move): bool => $move->quantity->isNegative());
        usort(
            $freed,
            static fn (StockMove $one, StockMove $other): int => [$one->itemId, $one->locationId] <=> [
                $other->itemId,
                $other->locationId,
            ],
        );

        // Not by an insert that becomes an update: less than nothing may not even be tried to be inserted.
        foreach ($freed as $move) {
            DB::update(
                'UPDATE stock FORCE INDEX (PRIMARY) SET committed = committed + ? '
                    .'WHERE item_id = ? AND location_id = ?',
                [(string) $move->quantity, $move->itemId, $move->locationId],
            );
        }
    }

    /**
     * The items of which there is less left than is set aside for others. Asked after taking or setting aside, in the
     * same transaction.
     *
     * @param  list<StockMove>  $moves what was taken, below zero; or set aside, above zero
     * @return list<int> item ids
     */
    public function short(array $moves): array
    {
        $own = [];

        foreach ($moves as $move) {
            $aside = $move->quantity->isPositive() ? $move->quantity : BigDecimal::zero();
            $own[$move->itemId] = ($own[$move->itemId] ?? BigDecimal::zero())->plus($aside);
        }

        $short = $own === []
                ? []
                : DB::table('stock')
                    ->where('location_id', $moves[0]->locationId)
                    ->whereIn('item_id', array_keys($own))
                    ->whereColumn('on_hand', '<', 'committed')
                    ->get(['item_id', 'committed'])
                    ->all();

        return array_values(
            array_map(
                static fn (object $row): int => (int) $row->item_id,
                array_filter(
                    $short,
                    static fn (object $row): bool => BigDecimal::of((string) $row->committed)->isGreaterThan(
                        $own[(int) $row->item_id],
                    ),
                ),
            ),
        );
    }

    /**
     * @param  'on_hand'|'committed'|'value'  $column
     * @param  list<StockMove>  $moves
     */
    private function change(string $column, array $moves): void
    {
        $changes = [];

        foreach ($moves as $move) {
            $place = sprintf('%012d-%012d', $move->itemId, $move->locationId);
            $by = $column === 'value' ? BigDecimal::of($move->value->minor ?? 0) : $move->quantity;
            $changes[$place] = [$move, ($changes[$place][1] ?? BigDecimal::zero())->plus($by)];
        }

        ksort($changes);
        $rows = array_map(
            static fn (array $row): array => [
                'item_id' => $row[0]->itemId,
                'location_id' => $row[0]->locationId,
                $column => (string) $row[1],
            ],
            array_values($changes),
        );

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('stock')->upsert(
                $chunk,
                ['item_id', 'location_id'],
                [$column => DB::raw("stock.{$column} + VALUES({$column})")],
            );
        }
    }

    /**
     * Puts the movements down, and what the stock is worth by the books after them.
     *
     * @param  list<array{StockMove, CarbonImmutable, int}>  $moves each with its business date and document
     */
    public function record(string $why, array $moves): void
    {
        $this->change('value', array_map(static fn (array $row): StockMove => $row[0], $moves));
        $rows = array_map(
            static fn (array $row): array => [
                'item_id' => $row[0]->itemId,
                'location_id' => $row[0]->locationId,
                'quantity' => (string) $row[0]->quantity,
                'unit_cost' => $row[0]->unitCost->toString(),
                'value' => $row[0]->value ?? 0,
                'why' => $why,
                'document_id' => $row[2],
                'business_date' => $row[1]->format('Y-m-d'),
            ],
            $moves,
        );

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('stock_movements')->insert($chunk);
        }
    }
}
