<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Elmstone\Catalogue\Families\Family;
use Elmstone\Catalogue\Families\MakeFamily;
use Elmstone\Catalogue\Item;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Puts the shop's tiles, paints, grouts and fittings into grids, by what their descriptions say. */
final class DemoFamilies
{
    /** Family's code and name: its properties, and how a description names their values. */
    private const FAMILIES = [
        'TIW Wall tile' => ['colour', 'size', '/^Wall tile, (.+), (.+ mm)$/'],
        'TIF Floor tile' => ['colour', 'size', '/^Floor tile, (.+), (.+ mm)$/'],
        'TIM Mosaic sheet' => ['colour', 'size', '/^Mosaic sheet, (.+), (.+ mm)$/'],
        'TIS Skirting tile' => ['colour', 'size', '/^Skirting tile, (.+), (.+ mm)$/'],
        'TIB Border tile' => ['colour', 'size', '/^Border tile, (.+), (.+ mm)$/'],
        'PTW Wall paint' => ['colour', 'size', '/^Wall paint, (.+), (.+ l)$/'],
        'PTE Exterior paint' => ['colour', 'size', '/^Exterior paint, (.+), (.+ l)$/'],
        'PTS Wood stain' => ['colour', 'size', '/^Wood stain, (.+), (.+ l)$/'],
        'PTF Floor paint' => ['colour', 'size', '/^Floor paint, (.+), (.+ l)$/'],
        'GR Grout' => ['colour', 'size', '/^Grout, (.+), (.+ kg)$/'],
        'SE Sealant' => ['colour', '', '/^Sealant, (.+), 310 ml$/'],
        'PFC Copper fittings' => ['part', 'bore', '/^Copper (?!pipe)(.+) (\d+ mm)$/'],
        'PFP Plastic fittings' => ['part', 'bore', '/^Plastic (?!pipe)(?!.*valve)(.+) (\d+ mm)$/'],
        'PFS Steel fittings' => ['part', 'bore', '/^Steel (?!pipe)(.+) (\d+ mm)$/'],
    ];

    /** What a size says of the content: the label then says what a kilogram or a litre costs. */
    private const CONTENTS = [' kg' => 'kg', ' l' => 'L'];

    public function build(): void
    {
        $items = Item::query()->orderBy('id')->get();

        foreach (self::FAMILIES as $name => [$first, $second, $pattern]) {
            [$code, $name] = explode(' ', $name, 2);
            $this->family($code, $name, $first, $second, $this->cells($items, $pattern));
        }
    }

    /**
     * @param  Collection<int, Item>  $items
     * @return list<array{Item, string, string}> each with its two values
     */
    private function cells(Collection $items, string $pattern): array
    {
        $cells = [];

        foreach ($items as $item) {
            if (preg_match($pattern, $item->description, $found) === 1) {
                $cells[] = [$item, $found[1], $found[2] ?? ''];
            }
        }

        return $cells;
    }

    /** @param  list<array{Item, string, string}>  $cells */
    private function family(string $code, string $name, string $first, string $second, array $cells): void
    {
        $family = Family::query()->create([
            'code' => $code, 'name' => $name, 'department_id' => $cells[0][0]->department_id, 'first' => $first,
            'second' => $second,
        ]);
        $rows = array_values(array_unique(array_column($cells, 1)));
        $columns = array_values(array_unique(array_column($cells, 2)));
        MakeFamily::values($family, 1, $rows);
        $second === '' || MakeFamily::values($family, 2, $columns);

        foreach ($cells as [$item, $row, $column]) {
            DB::table('items')->where('id', $item->id)->update([
                'family_id' => $family->id,
                'first_value' => (int) array_search($row, $rows, true) + 1,
                'second_value' => (int) array_search($column, $columns, true) + 1,
                ...self::content($column),
            ]);
        }
    }

    /** @return array{content?: string, content_unit?: string} */
    private static function content(string $size): array
    {
        foreach (self::CONTENTS as $end => $unit) {
            if (str_ends_with($size, $end)) {
                return ['content' => rtrim($size, " {$end}"), 'content_unit' => $unit];
            }
        }

        return [];
    }
}
