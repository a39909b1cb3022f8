<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Elmstone\Agreements\AgreedSlip;
use Elmstone\Books\Document;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Orders\ChangeOrder;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderChange;
use Elmstone\Orders\OrderLedger;
use Elmstone\Orders\OrderPaper;
use Elmstone\Orders\Supply\SupplyInOffice;
use Elmstone\Orders\Waiting\AllotGoods;
use Elmstone\Purchasing\Links;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** One order: its page, its papers, and all that is done to it away from the counter. */
final class OrderController
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly OrderPaper $paper,
    ) {
    }

    public function show(Order $order): View
    {
        $order->load([
            'customer.contacts', 'location', 'staff', 'allLines.item', 'progress', 'entries.document.tenders',
            'changesMade.staff', 'picks',
        ]);

        return view('orders.show', [
            'order' => $order,
            'day' => ShopTime::today(),
            'house' => $this->house,
            'here' => $this->atTill->till()->location,
            'places' => Location::query()->orderBy('id')->get()->keyBy('id'),
            'reckoned' => AgreedSlip::reckon($order, $order->lines(), $this->house->currency()),
            'invoices' => Document::query()->where('supplies', $order->label)->orderBy('id')->get(),
            'bought' => Links::of($order->id),
            'purchases' => Links::purchasesFor($order->id),
            'suppliers' => Supplier::query()->where('active', true)->orderBy('name')->get(['id', 'name']),
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    /** Goods leave, charged or paid by the deposit. */
    public function supply(
        OrderRequest $request,
        Order $order,
        SupplyInOffice $supply,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $request->saidAtItsField(fn (): int => $supply->handle(
            $order->id,
            $request->integer('version'),
            $request->leaving(),
            $this->atTill->till(),
            $by,
            $request->string('key')->value(),
            $check->given($request),
        ));

        return redirect()
            ->route('orders.show', $order)
            ->with('done', 'Supplied by '.Document::query()->findOrFail($document)->label.'.');
    }

    /** What it waits for and is here now is set aside. */
    public function allot(Order $order, AllotGoods $allot, #[CurrentUser] Staff $by): RedirectResponse
    {
        $allot->handle($order->id, $by);

        return redirect()->route('orders.show', $order)->with('done', 'What is here is set aside for it.');
    }

    public function change(
        OrderRequest $request,
        Order $order,
        ChangeOrder $change,
        ItemSearch $search,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $asked = $request->saidAtItsField(fn (): OrderChange => $request->change(
            $order->load(['progress', 'allLines']), $search, $check->given($request),
        ));
        $request->saidAtItsField(fn (): Order => $change->handle(
            $order->id, $request->integer('version'), $asked, $this->atTill->till(), $by,
        ));

        return redirect()
            ->route('orders.show', $order)
            ->with('done', 'The order is changed; print it for the customer.');
    }

    public function cancel(
        OrderRequest $request,
        Order $order,
        ChangeOrder $change,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $asked = OrderChange::cancelling(
            $order->load('progress'),
            $request->string('reason')->trim()->value(),
            $request->boolean('waive'),
            $check->given($request),
        );
        $request->saidAtItsField(fn (): Order => $change->handle(
            $order->id, $request->integer('version'), $asked, $this->atTill->till(), $by,
        ));

        return redirect()
            ->route('orders.show', $order)
            ->with('done', 'What was still to come of it is cancelled, and its goods are free again.');
    }

    public function shelve(
        OrderRequest $request,
        Order $order,
        OrderLedger $ledger,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $place = mb_substr($request->string('shelf')->trim()->value(), 0, 40);
        DB::transaction(static function () use ($order, $ledger, $by, $place): void {
            $locked = $ledger->lock($order->id);
            $before = $locked->shelf;
            $locked->forceFill(['shelf' => $place])->save();
            $before === $place || $ledger->record(
                $locked, $by, $place === '' ? "Taken from {$before}" : "Put on {$place}", $locked->total,
            );
        }, 3);
        $request->boolean('label') && $this->paper->printLabel($order->refresh(), $this->atTill->till());

        return redirect()->route('orders.show', $order)->with('done', 'The place is noted.');
    }

    public function print(Request $request, Order $order): RedirectResponse
    {
        match ($request->string('what')->value()) {
            'picking' => $this->paper->printPickingList($order, $this->atTill->till()),
            'delivery-note' => $this->paper->printDeliveryNote($order, $this->atTill->till()),
            'label' => $this->paper->printLabel($order, $this->atTill->till()),
            default => $this->paper->print($order, $this->atTill->till()),
        };

        return back()->with('done', 'It went to the printer.');
    }

    public function confirmation(Order $order): Response
    {
        return self::pdf($this->paper->confirmationPdf($order), $order->label);
    }

    public function picking(Order $order): Response
    {
        return self::pdf($this->paper->pickingPdf($order), "{$order->label}-picking");
    }

    public function deliveryNote(Order $order): Response
    {
        return self::pdf($this->paper->deliveryNotePdf($order), "{$order->label}-delivery");
    }

    private static function pdf(string $bytes, string $name): Response
    {
        return response($bytes, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$name}.pdf\"",
        ]);
    }
}
