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
     * So much more is set aside for an order at a place; below zero: less. What leaves is set free with it.
     *
     * @param  array<int, BigDecimal>  $changes by item
     */
    public function change(int $agreement, int $location, array $changes): void
    {
        $changes = array_filter($changes, static fn (BigDecimal $change): bool => ! $change->isZero());
        ksort($changes);
        $this->stock->commit(
            array_map(
                static fn (int $item, BigDecimal $change): StockMove => StockMove::aside($item, $location, $change),
                array_keys($changes),
                $changes,
            ),
        );

        foreach ($changes as $item => $change) {
            $row = DB::table('commitments')->where([
                'agreement_id' => $agreement,
                'item_id' => $item,
                'location_id' => $location,
            ]);
            $now = BigDecimal::of((string) ($row->value('quantity') ?? '0'))->plus($change);

            match (true) {
                $now->isZero() => $row->delete(),
                $now->isEqualTo($change) => $this->insert($agreement, $location, [$item => $change]),
                default => $row->update(['quantity' => (string) $now]),
            };
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
