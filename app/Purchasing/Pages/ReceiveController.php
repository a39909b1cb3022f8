<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Elmstone\Books\Document;
use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Money;
use Elmstone\Purchasing\FamiliesOnPurchase;
use Elmstone\Purchasing\Links;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\Receiving\Receive;
use Elmstone\Purchasing\Receiving\Received;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** The sheet on which goods are counted in. */
final class ReceiveController
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly WaitsForGoods $orders,
    ) {
    }

    public function show(Request $request, Purchase $purchase, OnTheirWay $coming): View
    {
        $purchase->load(['supplier', 'location', 'lines.item']);
        $families = FamiliesOnPurchase::of($purchase, $coming);

        return view('purchasing.receive', [
            'purchase' => $purchase,
            'families' => $request->boolean('rows') ? FamiliesOnPurchase::none() : $families,
            'mayBeGrid' => $families->grids !== [],
            'meant' => Links::onLines($purchase->id),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function store(
        PurchaseRequest $request,
        Purchase $purchase,
        Receive $receive,
        ItemSearch $search,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $arrived = $request->arrived($purchase->load('lines.item'), $search);
        $freight = $request->checked('freight', fn (): Money => $this->house->typedMoney(
            $request->string('freight')->value(),
        ) ?? $this->house->money(0));
        $received = $receive->handle(
            $purchase->id,
            $request->integer('version'),
            $arrived,
            $freight,
            $request->string('delivery_note')->trim()->value(),
            $this->atTill->till(),
            $by,
            $request->string('key')->value(),
        );

        return redirect()
            ->route('purchases.show', $purchase)
            ->with('done', $this->words($received));
    }

    private function words(Received $received): string
    {
        $label = Document::query()->findOrFail($received->document)->label;
        $labels = $this->orders->labels($received->agreements());

        return "Taken in by {$label}.".($labels === [] ? '' : ' Set aside at once for '.implode(', ', $labels)
            .': the labels are printed.');
    }
}
