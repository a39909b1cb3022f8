<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Types of customers, price levels, and the prices that items have at a level. */
final class CustomerTypeController
{
    public function index(Request $request): View
    {
        $code = $request->string('item')->trim()->value();

        return view('customers.types', [
            'types' => CustomerType::query()->with('priceLevel')->orderBy('name')->get(),
            'counts' => Customer::query()
                ->toBase()
                ->whereNull('merged_into_id')
                ->groupBy('customer_type_id')
                ->selectRaw('customer_type_id, COUNT(*) AS n')
                ->pluck('n', 'customer_type_id'),
            'levels' => PriceLevel::query()->orderBy('name')->get(),
            'own' => DB::table('level_prices')
                ->groupBy('price_level_id')
                ->selectRaw('price_level_id, COUNT(*) AS n')
                ->pluck('n', 'price_level_id'),
            'code' => $code,
            'item' => ($item = $code === '' ? null : Item::query()->where('code', $code)->first()),
            'prices' => $item === null
                    ? []
                    : DB::table('level_prices')->where('item_id', $item->id)->pluck('price', 'price_level_id')->all(),
        ]);
    }

    public function saveType(Request $request): RedirectResponse
    {
        $name = $this->name($request);
        $type = $request->filled('id')
            ? CustomerType::query()->findOrFail($request->integer('id'))
            : new CustomerType;
        $this->assertFree('customer_types', $name, $type->exists ? $type->id : null);
        $level = $request->filled('price_level_id')
            ? PriceLevel::query()->findOrFail($request->integer('price_level_id'))->id
            : null;
        $type
            ->fill([
                'name' => $name,
                'price_level_id' => $level,
                'discount_percent' => $this->percent($request, 'discount_percent'),
            ])
            ->save();

        return back()->with('done', "{$name} is kept. It holds for what is sold from now on.");
    }

    public function saveLevel(Request $request): RedirectResponse
    {
        $name = $this->name($request);
        $level = $request->filled('id') ? PriceLevel::query()->findOrFail($request->integer('id')) : new PriceLevel;
        $this->assertFree('price_levels', $name, $level->exists ? $level->id : null);
        $level->fill(['name' => $name, 'percent_off' => $this->percent($request, 'percent_off') ?? '0'])->save();

        return back()->with('done', "The {$name} price is kept. It holds for what is sold from now on.");
    }

    /** An item's own price at a level; left empty, the level's percentage comes off its list price. */
    public function savePrice(Request $request): RedirectResponse
    {
        $item = Item::query()
            ->where('code', $request->string('item')->value())
            ->firstOrFail();

        foreach (PriceLevel::query()->pluck('id') as $level) {
            $typed = trim($request->string("price.{$level}")->value());
            $key = ['item_id' => $item->id, 'price_level_id' => $level];
            $typed === ''
                ? DB::table('level_prices')->where($key)->delete()
                : DB::table('level_prices')->updateOrInsert($key, [
                    'price' => UnitPrice::of(TypedNumber::plain($typed))->toString(),
                ]);
        }

        return back()->with('done', "The prices of {$item->code} are kept.");
    }

    private function name(Request $request): string
    {
        $name = mb_substr($request->string('name')->trim()->value(), 0, 40);

        return $name === '' ? throw Refused::because('no_name', 'Give it a name.') : $name;
    }

    private function percent(Request $request, string $field): ?string
    {
        return $request->filled($field)
            ? Percentage::ofWhole(TypedNumber::plain($request->string($field)->value()))->toString()
            : null;
    }

    private function assertFree(string $table, string $name, ?int $except): void
    {
        if (
            DB::table($table)
                ->where('name', $name)
                ->when($except !== null, static fn ($query) => $query->where('id', '<>', $except))
                ->exists()
        ) {
            throw Refused::because('name_taken', "There is one called “{$name}” already.");
        }
    }
}
