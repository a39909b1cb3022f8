<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Catalogue\Families\FamilyGrid;
use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\TaxClass;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The list of items, and an item's own page. */
final class ItemController
{
    public function index(Request $request, ItemSearch $search, AtTill $atTill, House $house): View
    {
        $find = $request->string('find')->trim()->value();
        $department = $request->integer('department');
        $items = Item::query()
            ->with(['stock', 'department'])
            ->when($department > 0, static fn ($query) => $query->where('department_id', $department))
            ->when(! $request->boolean('off_sale'), static fn ($query) => $query->where('active', true))
            ->when($find !== '', static fn ($query) => $query->whereIn('id', self::matches($search, $find)))
            ->orderBy('description')
            ->simplePaginate(50)
            ->withQueryString();

        return view('catalogue.index', [
            'items' => $items,
            'find' => $find,
            'department' => $department,
            'departments' => Department::query()->orderBy('name')->get(),
            'locations' => Location::query()->orderBy('id')->get(),
            'here' => $atTill->till()->location,
            'house' => $house,
        ]);
    }

    public function show(Item $item, House $house, OnTheirWay $coming): View
    {
        return view('catalogue.item', [
            ...$this->choices(),
            'grid' => $item->family === null ? null : FamilyGrid::of($item->family, $coming),
            'item' => $item->load([
                'breaks', 'promotions', 'stock.location', 'department', 'priceChanges.staff', 'belongings',
            ]),
            'house' => $house,
        ]);
    }

    public function create(House $house): View
    {
        $item = new Item([
            'unit' => Unit::Each,
            'price_per' => 1,
            'active' => true,
            'may_discount' => true,
            'net_price' => false,
            'code' => '',
            'barcode' => null,
            'description' => '',
            'list_price' => null,
            'floor_price' => null,
            'cost' => null,
            'tax_class' => 'standard',
            'department_id' => 0,
            'return_policy_id' => null,
            'clerk_words' => '',
            'weight' => '0',
            'shelf' => '',
            'content' => null,
            'content_unit' => '',
        ]);
        $item->setRelations([
            'breaks' => collect(),
            'promotions' => collect(),
            'stock' => collect(),
            'priceChanges' => collect(),
            'belongings' => collect(),
        ]);

        return view('catalogue.item', [...$this->choices(), 'grid' => null, 'item' => $item, 'house' => $house]);
    }

    public function store(
        ItemRequest $request,
        SaveItem $save,
        AtTill $atTill,
        #[CurrentUser] Staff $staff,
    ): RedirectResponse {
        $item = $save->handle(null, $request->draft(), $staff, $atTill->till());

        return redirect()
            ->route('items.show', $item)
            ->with('done', "{$item->code} is in the list.");
    }

    public function update(
        Item $item,
        ItemRequest $request,
        SaveItem $save,
        AtTill $atTill,
        #[CurrentUser] Staff $staff,
    ): RedirectResponse {
        $save->handle($item, $request->draft(), $staff, $atTill->till());

        return redirect()->route('items.show', $item)->with('done', 'Saved.');
    }

    /** @return list<int> */
    private static function matches(ItemSearch $search, string $find): array
    {
        $exact = $search->exact($find);
        $found = $search->find($find, 300, alsoInactive: true)->modelKeys();

        return array_values(array_filter([$exact?->id, ...$found], is_int(...)));
    }

    /** @return array<string, mixed> */
    private function choices(): array
    {
        return [
            'departments' => Department::query()->orderBy('name')->get(),
            'policies' => DB::table('return_policies')->orderBy('name')->pluck('name', 'id')->all(),
            'taxClasses' => TaxClass::query()->orderBy('name')->get(),
        ];
    }
}
