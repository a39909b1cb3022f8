<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Purchasing\ToBuy;
use Elmstone\Purchasing\ToBuyRow;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Ramsey\Uuid\Uuid;

/**
 * What is to be bought: what customers wait for, and what is below its least. Ticked, it
 * becomes orders to suppliers.
 */
final class ToBuyController
{
    public function __construct(
        private readonly ToBuy $toBuy,
        private readonly AtTill $atTill,
        private readonly House $house,
    ) {
    }

    public function show(): View
    {
        $location = $this->atTill->till()->location;

        return view('purchasing.to-buy', [
            'rows' => $this->toBuy->at($location->id),
            'suppliers' => Supplier::query()->where('active', true)->orderBy('name')->get(),
            'location' => $location,
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function store(Request $request, PurchaseDesk $desk, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate(['key' => ['required', 'uuid'], 'rows' => ['nullable', 'array', 'max:600']]);
        $location = $this->atTill->till()->location;
        $made = [];

        foreach ($this->bySupplier($request, $this->toBuy->at($location->id)) as $supplier => $lines) {
            $made[] = $desk->make(
                Supplier::query()->findOrFail($supplier),
                $location,
                $lines,
                null,
                $by,
                Uuid::uuid5(Uuid::fromString($request->string('key')->value()), "of {$supplier}")->toString(),
            );
        }

        $made === [] && throw Refused::because('nothing_chosen', 'Tick what is to be bought, and say of whom.');

        return count($made) === 1
            ? redirect()->route('purchases.show', $made[0])->with('done', 'Look it over, then send it.')
            : redirect()->route('purchases')->with('done', 'Made '.implode(', ', array_map(
                static fn (Purchase $one): string => $one->label,
                $made,
            )).'. Look them over, then send them.');
    }

    /**
     * @param  list<ToBuyRow>  $rows
     * @return array<int, non-empty-list<BuyLine>> by supplier
     */
    private function bySupplier(Request $request, array $rows): array
    {
        $found = [];

        foreach ($rows as $row) {
            $id = $row->item->id;
            $typed = $request->string("rows.{$id}-many")->trim()->value();
            $supplier = $request->integer("rows.{$id}-of");

            if ($request->boolean("rows.{$id}-buy") && $supplier > 0 && $typed !== '') {
                $quantity = Quantity::of(TypedNumber::plain($typed));
                $found[$supplier][] = new BuyLine($row->item, $quantity, null, $row->meantOf($quantity));
            }
        }

        ksort($found);

        return $found;
    }
}
