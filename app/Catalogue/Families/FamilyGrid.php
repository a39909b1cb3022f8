<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Catalogue\Item;
use Illuminate\Support\Facades\DB;

/** A family as a grid: one property down the side, the other across, an item where they meet. */
final readonly class FamilyGrid
{
    /**
     * @param  array<int, string>  $rows values by position
     * @param  array<int, string>  $columns values by position; one without a name where there is one property
     * @param  array<int, array<int, FamilyCell>>  $cells by row and column
     */
    private function __construct(
        public Family $family,
        public array $rows,
        public array $columns,
        private array $cells,
    ) {
    }

    public static function of(Family $family, OnTheirWay $coming): self
    {
        $family->loadMissing('values');
        $items = $family->items()->get();
        $ids = array_values($items->map(static fn (Item $item): int => $item->id)->all());
        [$stock, $onOrder] = [self::stock($ids), $coming->byPlace($ids)];
        $cells = [];

        foreach ($items as $item) {
            $cells[$item->first_value ?? 0][$item->second_value ?? 0] = new FamilyCell(
                $item,
                $stock[$item->id] ?? [],
                $onOrder[$item->id] ?? [],
            );
        }

        return new self($family, $family->valuesOf(1), $family->valuesOf(2), $cells);
    }

    /**
     * @param  list<int>  $items
     * @return array<int, array<int, array{string, string}>> on hand and committed, by item and location
     */
    private static function stock(array $items): array
    {
        $stock = [];
        $columns = ['item_id', 'location_id', 'on_hand', 'committed'];

        foreach (DB::table('stock')->whereIn('item_id', $items)->get($columns) as $at) {
            $stock[(int) $at->item_id][(int) $at->location_id] = [(string) $at->on_hand, (string) $at->committed];
        }

        return $stock;
    }

    public function at(int $row, int $column): ?FamilyCell
    {
        return $this->cells[$row][$column] ?? null;
    }

    /** @return list<FamilyCell> */
    public function cells(): array
    {
        return array_merge([], ...array_map(array_values(...), array_values($this->cells)));
    }

    /** @return list<array{int, int}> where two values meet and there is no item */
    public function missing(): array
    {
        $missing = [];

        foreach (array_keys($this->rows) as $row) {
            foreach (array_keys($this->columns) as $column) {
                $this->at($row, $column) === null && ($missing[] = [$row, $column]);
            }
        }

        return $missing;
    }
}
