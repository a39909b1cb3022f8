<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceChange;
use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * What a whole grid says at once: the family's price and those of single cells, their barcodes, which item stands in
 * which cell, more values. All or none of what was typed.
 */
final class ChangeFamily
{
    /**
     * A cell that has the family's price follows it; one with another keeps it unless something else is typed.
     *
     * @param  array<int, UnitPrice|null>  $cells by item; null: the family's price
     * @return int how many prices changed
     *
     * @throws Refused changed_elsewhere
     */
    public function prices(Family $family, int $version, ?UnitPrice $price, array $cells, Staff $by): int
    {
        return DB::transaction(static function () use ($family, $version, $price, $cells, $by): int {
            $family = Family::locked($family->id, $version);
            $changed = 0;

            foreach ($family->items()->orderBy('items.id')->lockForUpdate()->get() as $item) {
                $new = $cells[$item->id] ?? $price ?? $item->list_price;

                if (array_key_exists($item->id, $cells) && ! $new->equals($item->list_price)) {
                    PriceChange::query()->create([
                        'item_id' => $item->id, 'staff_id' => $by->id, 'field' => 'list price',
                        'was' => $item->list_price->toString(), 'became' => $new->toString(),
                    ]);
                    $item->update(['list_price' => $new]);
                    $changed++;
                }
            }

            $family->update(['list_price' => $price, 'version' => $family->version + 1]);

            return $changed;
        });
    }

    /**
     * @param  array<int, string>  $cells barcodes by item; empty: none
     *
     * @throws CellRefused bad_barcode, taken
     * @throws Refused changed_elsewhere
     */
    public function barcodes(Family $family, int $version, array $cells): void
    {
        DB::transaction(static function () use ($family, $version, $cells): void {
            $family = Family::locked($family->id, $version);
            $items = $family->items()->orderBy('items.id')->lockForUpdate()->get()->keyBy('id');
            $cells = array_intersect_key($cells, $items->all());
            self::assertBarcodes($cells);
            // Two may have swapped theirs: all go first.
            DB::table('items')->whereIn('id', array_keys($cells))->update(['barcode' => null]);

            foreach ($cells as $item => $barcode) {
                $barcode === '' || DB::table('items')->where('id', $item)->update(['barcode' => $barcode]);
            }

            $family->update(['version' => $family->version + 1]);
        });
    }

    /**
     * Which item stands in which cell, by its code; a cell without one is empty, and who stood there is on its own.
     *
     * @param  array<string, string>  $cells codes by "row column"
     *
     * @throws CellRefused not_found, twice, of_another
     * @throws Refused changed_elsewhere
     */
    public function place(Family $family, int $version, array $cells): void
    {
        DB::transaction(static function () use ($family, $version, $cells): void {
            $family = Family::locked($family->id, $version)->load('values');
            $items = self::named($family, array_filter($cells, static fn (string $code): bool => $code !== ''));
            DB::table('items')->where('family_id', $family->id)->update([
                'family_id' => null, 'first_value' => null, 'second_value' => null,
            ]);

            foreach ($items as $cell => $item) {
                [$first, $second] = array_map(intval(...), explode(' ', $cell));
                DB::table('items')->where('id', $item)->update([
                    'family_id' => $family->id, 'first_value' => $first, 'second_value' => $second,
                ]);
            }

            $family->update(['version' => $family->version + 1]);
        });
    }

    /**
     * Another colour, another size; their cells are empty until items are put or made there.
     *
     * @param  1|2  $axis
     * @param  list<string>  $values
     *
     * @throws Refused changed_elsewhere, nothing_chosen, too_many_cells, twice
     */
    public function grow(Family $family, int $version, int $axis, array $values): void
    {
        DB::transaction(static function () use ($family, $version, $axis, $values): void {
            $family = Family::locked($family->id, $version)->load('values');
            $axis === 2 && $family->second === '' && throw Refused::because(
                'nothing_chosen',
                "{$family->name} has one property only.",
            );
            $values === [] && throw Refused::because('nothing_chosen', 'Type at least one value.');
            $there = $family->valuesOf($axis);
            $twice = array_values(array_uintersect($values, $there, strcasecmp(...)));
            $twice === [] || throw Refused::because('twice', "“{$twice[0]}” is there already.");
            $count = count($there) + count($values);
            Family::assertFits(
                $axis === 1 ? $count : count($family->valuesOf(1)),
                $axis === 2 ? $count : count($family->valuesOf(2)),
            );
            MakeFamily::values($family, $axis, $values, max([0, ...array_keys($there)]));
            $family->update(['version' => $family->version + 1]);
        });
    }

    /**
     * @param  array<int, string>  $cells
     *
     * @throws CellRefused
     */
    private static function assertBarcodes(array $cells): void
    {
        $seen = [];

        foreach ($cells as $item => $barcode) {
            if ($barcode !== '') {
                try {
                    $key = Gtin::of($barcode)->asFourteen();
                } catch (Refused $refused) {
                    throw CellRefused::at((string) $item, $refused->rule, $refused->getMessage());
                }

                isset($seen[$key]) && throw CellRefused::at((string) $item, 'taken', 'Another cell has this barcode.');
                $seen[$key] = $item;
            }
        }

        $taken = Item::query()->whereIn('gtin', array_map(strval(...), array_keys($seen)))
            ->whereNotIn('id', array_keys($cells))->first();
        $taken === null || throw CellRefused::at(
            (string) $seen[str_pad((string) $taken->barcode, 14, '0', STR_PAD_LEFT)],
            'taken',
            "{$taken->code} has this barcode.",
        );
    }

    /**
     * @param  array<string, string>  $cells codes by cell
     * @return array<string, int> items by cell, which are locked
     *
     * @throws CellRefused
     */
    private static function named(Family $family, array $cells): array
    {
        $found = Item::query()->whereIn('code', $cells)->orderBy('id')->lockForUpdate()->get()
            ->keyBy(static fn (Item $item): string => strtolower($item->code));
        $items = [];

        foreach ($cells as $cell => $code) {
            $item = $found[strtolower($code)]
                ?? throw CellRefused::at($cell, 'not_found', "No item is called {$code}.");
            $item->family_id === null || $item->family_id === $family->id || throw CellRefused::at(
                $cell, 'of_another', "{$item->code} is in another family.",
            );
            in_array($item->id, $items, true)
                && throw CellRefused::at($cell, 'twice', "{$item->code} stands in another cell too.");
            [$first, $second] = array_map(intval(...), explode(' ', "{$cell} "));
            isset($family->valuesOf(1)[$first], $family->valuesOf(2)[$second])
                || throw CellRefused::at($cell, 'not_found', 'There is no such cell.');
            $items[$cell] = $item->id;
        }

        return $items;
    }
}
