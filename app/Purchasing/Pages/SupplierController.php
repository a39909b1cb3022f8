<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\Receiving\Delivery;
use Elmstone\Purchasing\Suppliers\SaveSupplier;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Purchasing\Suppliers\SupplierInvoice;
use Elmstone\Purchasing\Suppliers\SupplierItem;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/** Suppliers: who they are, what they sell us at what price. */
final class SupplierController
{
    public function __construct(
        private readonly House $house,
        private readonly SaveSupplier $save,
        private readonly AtTill $atTill,
    ) {
    }

    public function index(): View
    {
        return view('purchasing.suppliers', [
            'suppliers' => Supplier::query()->orderBy('name')->simplePaginate(50),
            'open' => Purchase::query()->toBase()->whereIn('state', ['draft', 'sent'])->groupBy('supplier_id')
                ->selectRaw('supplier_id, COUNT(*) AS n')->pluck('n', 'supplier_id')->all(),
        ]);
    }

    public function create(): View
    {
        return $this->page(new Supplier([
            'code' => '', 'name' => '', 'mail' => '', 'phone' => '', 'street' => '', 'postcode' => '', 'town' => '',
            'our_number' => '', 'lead_days' => 7, 'active' => true, 'version' => 1,
        ]));
    }

    public function show(Supplier $supplier): View
    {
        return $this->page($supplier);
    }

    public function store(Request $request): RedirectResponse
    {
        $supplier = $this->save->handle(null, $this->columns($request, null));

        return redirect()->route('suppliers.show', $supplier)->with('done', "{$supplier->name} is in the list.");
    }

    public function update(Request $request, Supplier $supplier): RedirectResponse
    {
        $this->save->handle($supplier, $this->columns($request, $supplier));

        return redirect()->route('suppliers.show', $supplier)->with('done', 'Saved.');
    }

    /** What they call an item and ask for it, and how little of it there may be. */
    public function item(
        PurchaseRequest $request,
        Supplier $supplier,
        ItemSearch $search,
    ): RedirectResponse {
        $item = $request->checked('code', static fn (): Item => PurchaseRequest::item(
            $search, $request->string('code')->trim()->value(),
        ));
        $cost = $request->checked('item_cost', fn () => $this->house->typedPrice(
            $request->string('item_cost')->value(),
        ));
        $request->checked('pack', fn () => $this->save->item(
            $supplier, $item, $cost, $request->string('their_code')->trim()->value(),
            $request->string('pack')->trim()->value() ?: '1',
        ));

        $request->string('least')->trim()->value() === '' || $request->checked('least', fn () => $this->save->level(
            $item,
            $this->atTill->till()->location,
            self::pieces($request->string('least')->trim()->value()),
            self::pieces($request->string('up_to')->trim()->value()),
        ));

        return redirect()->route('suppliers.show', $supplier)->with('done', "{$item->code} is bought of them.");
    }

    /** An order to them with nothing on it but one item. */
    public function purchase(
        PurchaseRequest $request,
        Supplier $supplier,
        PurchaseDesk $desk,
        ItemSearch $search,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $purchase = $desk->make(
            $supplier, $this->atTill->till()->location, [$request->more($search)], null, $by,
            $request->string('key')->value() ?: (string) Str::uuid(),
        );

        return redirect()->route('purchases.show', $purchase)->with('done', 'Put more on it, then send it.');
    }

    /** Nothing and 0 are none. */
    private static function pieces(string $typed): ?Quantity
    {
        $plain = $typed === '' ? '0' : TypedNumber::plain($typed);

        return $plain === '0' ? null : Quantity::of($plain);
    }

    private function page(Supplier $supplier): View
    {
        return view('purchasing.supplier', [
            'levels' => $this->save->levels($this->atTill->till()->location, $supplier),
            'supplier' => $supplier,
            'items' => SupplierItem::query()
                ->where('supplier_id', $supplier->id)
                ->orderBy('item_id')
                ->limit(200)
                ->get(),
            'names' => Item::query()
                ->whereIn('id', SupplierItem::query()->where('supplier_id', $supplier->id)->select('item_id'))
                ->get()
                ->keyBy('id'),
            'purchases' => Purchase::query()->with('lines')->where('supplier_id', $supplier->id)->orderByDesc('id')
                ->limit(12)->get(),
            'toInvoice' => Delivery::query()
                ->whereNull('invoice_id')
                ->whereIn('purchase_id', Purchase::query()->where('supplier_id', $supplier->id)->select('id'))
                ->count(),
            'invoices' => SupplierInvoice::query()->with('document')->where('supplier_id', $supplier->id)
                ->orderByDesc('id')->limit(12)->get(),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    /** @return array<string, mixed> */
    private function columns(Request $request, ?Supplier $supplier): array
    {
        $request->validate([
            'code' => ['required', 'string', 'max:12', 'regex:/^[A-Za-z0-9-]+$/',
                Rule::unique('suppliers')->ignore($supplier?->id)],
            'name' => ['required', 'string', 'max:120'],
            'mail' => ['nullable', 'email', 'max:120'],
            'lead_days' => ['required', 'integer', 'between:0,365'],
        ], [
            'code.required' => 'Give them a short code.',
            'code.regex' => 'Letters, digits and hyphens only.',
            'code.unique' => 'Another supplier has this code.',
            'name.required' => 'Type their name.',
            'mail.email' => 'That is not a mail address.',
            'lead_days.*' => 'Between 0 and 365 days.',
        ]);

        return [
            ...self::texts($request, [
                'code' => 12, 'name' => 120, 'mail' => 120, 'phone' => 40, 'street' => 120, 'postcode' => 20,
                'town' => 80, 'our_number' => 40,
            ]),
            'lead_days' => $request->integer('lead_days'),
            'active' => $request->boolean('active'),
        ];
    }

    /**
     * @param  array<string, int>  $lengths
     * @return array<string, string>
     */
    private static function texts(Request $request, array $lengths): array
    {
        $texts = [];

        foreach ($lengths as $name => $most) {
            $texts[$name] = mb_substr($request->string($name)->trim()->value(), 0, $most);
        }

        return $texts;
    }
}
