<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Catalogue\Item;
use Illuminate\Database\Eloquent\Collection;

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
        $items = $family->items()->with('stock')->get();
        $onOrder = $coming->byPlace(self::ids($items));
        $cells = [];

        foreach ($items as $item) {
            $cells[$item->first_value ?? 0][$item->second_value ?? 0] = new FamilyCell(
                $item,
                $onOrder[$item->id] ?? [],
            );
        }

        return new self($family, $family->valuesOf(1), $family->valuesOf(2), $cells);
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

    /**
     * @param  Collection<int, Item>  $items
     * @return list<int>
     */
    private static function ids(Collection $items): array
    {
        return array_values($items->map(static fn (Item $item): int => $item->id)->all());
    }
}
