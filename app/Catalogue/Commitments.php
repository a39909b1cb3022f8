<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Illuminate\Support\Facades\DB;

/**
 * What is set aside for whom. Written under the lock of the agreement it is for; stock rows follow in their own order.
 */
final class Commitments
{
    public function __construct(private readonly StockLedger $stock)
    {
    }

    /**
     * Sets goods aside for a layaway that is just being made.
     *
     * @param  array<int, BigDecimal>  $wanted quantities by item
     */
    public function begin(int $layaway, int $location, array $wanted): void
    {
        $this->stock->commit(
            array_map(
                static fn (int $item, BigDecimal $quantity): StockMove => StockMove::aside($item, $location, $quantity),
                array_keys($wanted),
                $wanted,
            ),
        );
        $this->insert($layaway, $location, $wanted);
    }

    /** Everything that was set aside for the layaway is free again. */
    public function release(int $layaway): void
    {
        DB::update(
            'UPDATE commitments c JOIN stock s ON s.item_id = c.item_id AND s.location_id = c.location_id SET '
                .'s.committed = s.committed - c.quantity WHERE c.agreement_id = ?',
            [$layaway],
        );
        DB::table('commitments')->where('agreement_id', $layaway)->delete();
    }

    /**
     * Makes this what is set aside for the layaway, whatever was before.
     *
     * @param  array<int, BigDecimal>  $wanted quantities by item
     */
    public function set(int $layaway, int $location, array $wanted): void
    {
        $before = [];

        foreach (
            DB::table('commitments')
                ->where('agreement_id', $layaway)
                ->get(['item_id', 'quantity']) as $row
        ) {
            $before[(int) $row->item_id] = BigDecimal::of((string) $row->quantity);
        }

        $moves = [];

        foreach ($before + $wanted as $item => $quantity) {
            $change = ($wanted[$item] ?? BigDecimal::zero())->minus($before[$item] ?? BigDecimal::zero());

            if (! $change->isZero()) {
                $moves[] = StockMove::aside($item, $location, $change);
            }
        }

        $this->stock->commit($moves);
        DB::table('commitments')->where('agreement_id', $layaway)->delete();
        $this->insert($layaway, $location, $wanted);
    }

    /**
     * What is set aside for agreements.
     *
     * @param  array<int>  $agreements
     * @return array<int, array<string, BigDecimal>> by agreement, then by item and location, "12 1"
     */
    public static function of(array $agreements): array
    {
        $found = [];

        foreach (DB::table('commitments')->whereIn('agreement_id', $agreements)->get() as $row) {
            $found[(int) $row->agreement_id]["{$row->item_id} {$row->location_id}"] = BigDecimal::of(
                (string) $row->quantity,
            )->stripTrailingZeros();
        }

        return $found;
    }

    /**
     * So much more is set aside for orders, or less. What leaves is set free with it.
     *
     * @param  list<Committed>  $changes
     */
    public function change(array $changes): void
    {
        $this->stock->commit(array_map(
            static fn (Committed $one): StockMove => StockMove::aside($one->item, $one->location, $one->quantity),
            $changes,
        ));
        $now = self::of(array_values(array_unique(
            array_map(static fn (Committed $one): int => $one->agreement, $changes),
        )));
        $rows = [];

        foreach ($changes as $one) {
            $place = "{$one->item} {$one->location}";
            $now[$one->agreement][$place] = $one->quantity->plus($now[$one->agreement][$place] ?? BigDecimal::zero());
            $rows["{$one->agreement} {$place}"] = [
                'agreement_id' => $one->agreement,
                'item_id' => $one->item,
                'location_id' => $one->location,
                'quantity' => (string) $now[$one->agreement][$place],
            ];
        }

        $this->write(array_values($rows));
    }

    /** @param  list<array{agreement_id: int, item_id: int, location_id: int, quantity: string}>  $rows */
    private function write(array $rows): void
    {
        $kept = array_values(array_filter(
            $rows,
            static fn (array $row): bool => ! BigDecimal::of($row['quantity'])->isZero(),
        ));

        foreach (array_udiff($rows, $kept, static fn (array $one, array $other): int => $one <=> $other) as $gone) {
            unset($gone['quantity']);
            DB::table('commitments')->where($gone)->delete();
        }

        foreach (array_chunk($kept, 500) as $chunk) {
            DB::table('commitments')->upsert($chunk, ['agreement_id', 'item_id', 'location_id'], ['quantity']);
        }
    }

    /** @param  array<int, BigDecimal>  $wanted */
    private function insert(int $layaway, int $location, array $wanted): void
    {
        DB::table('commitments')->insert(
            array_map(
                static fn (int $item, BigDecimal $quantity): array => [
                    'agreement_id' => $layaway,
                    'item_id' => $item,
                    'location_id' => $location,
                    'quantity' => (string) $quantity,
                ],
                array_keys($wanted),
                $wanted,
            ),
        );
    }
}
