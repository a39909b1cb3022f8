<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceChange;
use Elmstone\Catalogue\Words;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** A family and all its items in one step, or the items it lacks. All or none. */
final class MakeFamily
{
    /** @throws Refused too_many_cells */
    public function handle(FamilyDraft $draft, Staff $by): Family
    {
        Family::assertFits(count($draft->firstValues), max(1, count($draft->secondValues)));

        return DB::transaction(function () use ($draft, $by): Family {
            $price = $draft->fields['list_price'] ?? null;
            $family = Family::query()->create([
                'code' => $draft->code,
                'name' => $draft->name,
                'department_id' => $draft->department,
                'first' => $draft->first,
                'second' => $draft->second,
                'list_price' => $price,
            ]);
            self::values($family, 1, $draft->firstValues);
            self::values($family, 2, $draft->secondValues);
            $this->items($family->load('values'), self::all($family), $draft->fields, $by);

            return $family;
        });
    }

    /**
     * The cells that have no item get one, like the others of the family.
     *
     * @return int how many were made
     *
     * @throws Refused changed_elsewhere, nothing_like_it
     */
    public function complete(Family $family, int $version, Staff $by): int
    {
        return DB::transaction(function () use ($family, $version, $by): int {
            $family = Family::locked($family->id, $version);
            $items = $family->items()->orderBy('id')->get();
            $like = $items->first() ?? throw Refused::because(
                'nothing_like_it',
                'Put an item into the family first: the others are made like it.',
            );
            $taken = $items->map(static fn (Item $item): string => "{$item->first_value} {$item->second_value}")->all();
            $missing = array_values(array_filter(
                self::all($family),
                static fn (array $cell): bool => ! in_array("{$cell[0]} {$cell[1]}", $taken, true),
            ));
            $this->items($family, $missing, [
                'unit' => $like->unit->value,
                'price_per' => $like->price_per,
                'list_price' => ($family->list_price ?? $like->list_price)->toString(),
                'cost' => '0',
                'tax_class' => $like->tax_class,
                'return_policy_id' => $like->return_policy_id,
            ], $by);
            $family->update(['version' => $family->version + 1]);

            return count($missing);
        });
    }

    /** @param  list<string>  $values */
    public static function values(Family $family, int $axis, array $values, int $after = 0): void
    {
        $rows = [];

        foreach ($values as $i => $value) {
            $rows[] = [
                'family_id' => $family->id, 'axis' => $axis, 'position' => $after + $i + 1, 'value' => $value,
            ];
        }

        DB::table('family_values')->insert($rows);
    }

    /** @return list<array{int, int}> row and column of each cell there can be */
    private static function all(Family $family): array
    {
        $cells = [];

        foreach (array_keys($family->valuesOf(1)) as $first) {
            foreach (array_keys($family->valuesOf(2)) as $second) {
                $cells[] = [$first, $second];
            }
        }

        return $cells;
    }

    /**
     * @param  list<array{int, int}>  $cells
     * @param  array<string, mixed>  $fields
     */
    private function items(Family $family, array $cells, array $fields, Staff $by): void
    {
        $codes = self::codes($family->code, count($cells));
        $texts = [];

        foreach ($cells as $i => [$first, $second]) {
            $item = Item::query()->create([
                'code' => $codes[$i],
                'description' => $family->described($first, $second),
                'department_id' => $family->department_id,
                'may_discount' => true,
                'net_price' => false,
                'active' => true,
                ...$fields,
                'family_id' => $family->id,
                'first_value' => $first,
                'second_value' => $second,
            ]);
            $texts[$item->id] = $item->description;
            PriceChange::query()->create([
                'item_id' => $item->id, 'staff_id' => $by->id, 'field' => 'list price', 'was' => null,
                'became' => $item->list_price->toString(),
            ]);
        }

        $texts === [] || Words::index($texts);
    }

    /** @return list<string> codes that nothing has yet: GR-001, GR-002, … */
    private static function codes(string $begin, int $many): array
    {
        $used = array_flip(array_map(
            static fn (mixed $code): string => is_string($code) ? strtoupper($code) : '',
            DB::table('items')->where('code', 'like', addcslashes($begin, '%_\\').'-%')->pluck('code')->all(),
        ));
        $codes = [];

        for ($number = 1; count($codes) < $many; $number++) {
            $code = sprintf('%s-%03d', $begin, $number);
            isset($used[strtoupper($code)]) || ($codes[] = $code);
        }

        return $codes;
    }
}
