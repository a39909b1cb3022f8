<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\Receiving\Delivery;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Purchasing\Suppliers\SupplierInvoice;
use Elmstone\Purchasing\Suppliers\TakeInvoice;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Str;

/** A supplier's invoice against what came in. */
final class InvoiceController
{
    public function __construct(private readonly House $house)
    {
    }

    public function show(Supplier $supplier): View
    {
        return view('purchasing.invoice', [
            'supplier' => $supplier,
            'deliveries' => Delivery::query()
                ->with(['document', 'purchase'])
                ->whereNull('invoice_id')
                ->whereIn('purchase_id', Purchase::query()->where('supplier_id', $supplier->id)->select('id'))
                ->orderBy('document_id')
                ->get(),
            'today' => ShopTime::today(),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function store(
        InvoiceRequest $request,
        Supplier $supplier,
        TakeInvoice $take,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $dated = $request->string('dated')->value();
        $invoice = $request->saidAtItsField(fn (): SupplierInvoice => $take->handle(
            $supplier,
            array_values(array_map(intval(...), array_filter($request->array('ticked'), is_numeric(...)))),
            $request->string('number')->trim()->value(),
            $dated === '' ? ShopTime::today() : CarbonImmutable::parse($dated, 'UTC'),
            $this->amount($request),
            $request->boolean('accepted'),
            $atTill->till(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()
            ->route('suppliers.show', $supplier)
            ->with('done', "Invoice {$invoice->number} is posted as {$invoice->document->label}.");
    }

    private function amount(InvoiceRequest $request): Money
    {
        return $this->house->typedMoney($request->string('amount')->value()) ?? $this->house->money(0);
    }
}
