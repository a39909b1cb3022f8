<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Elmstone\Catalogue\Families\FamilyGrid;
use Elmstone\Catalogue\Families\FindFamilies;
use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Refused;
use Elmstone\Purchasing\Links;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\PurchasePaper;
use Elmstone\Purchasing\PurchaseState;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Orders to suppliers: the list, and each one's page. */
final class PurchaseController
{
    private const PAGE = 40;

    public function __construct(
        private readonly House $house,
        private readonly PurchaseDesk $desk,
        private readonly PurchasePaper $paper,
        private readonly WaitsForGoods $orders,
    ) {
    }

    public function index(Request $request): View
    {
        $state = PurchaseState::tryFrom($request->string('state')->value());
        $purchases = Purchase::query()
            ->with(['supplier', 'location', 'lines'])
            ->when($state !== null, static fn ($query) => $query->where('state', $state))
            ->when($state === null, static fn ($query) => $query->whereIn('state', [
                PurchaseState::Draft, PurchaseState::Sent,
            ]))
            ->orderByRaw('expected_on IS NULL')
            ->orderBy('expected_on')
            ->orderByDesc('id')
            ->simplePaginate(self::PAGE)
            ->withQueryString();

        return view('purchasing.index', [
            'purchases' => $purchases,
            'state' => $state,
            'day' => ShopTime::today(),
            'house' => $this->house,
        ]);
    }

    public function show(Request $request, Purchase $purchase, OnTheirWay $coming): View
    {
        $family = FindFamilies::named($request->string('family')->trim()->value(), 1)->first();
        $grid = $family === null ? null : FamilyGrid::of($family, $coming);
        $purchase->load(['supplier', 'location', 'staff', 'lines.item', 'deliveries.document', 'deliveries.invoice']);

        return view('purchasing.show', [
            'purchase' => $purchase,
            'meant' => Links::onLines($purchase->id),
            'grid' => $grid,
            'there' => self::there($grid, $purchase->location_id),
            'labels' => $this->orders->labels(Links::agreementsOf($purchase->id)),
            'day' => ShopTime::today(),
            'house' => $this->house,
        ]);
    }

    /** @return array<int, string> how many of each cell are on hand, by item */
    private static function there(?FamilyGrid $grid, int $location): array
    {
        $there = [];

        foreach ($grid?->cells() ?? [] as $cell) {
            $there[$cell->item->id] = Show::decimal($cell->onHand($location));
        }

        return $there;
    }

    public function alter(PurchaseRequest $request, Purchase $purchase): RedirectResponse
    {
        $request->saidAtItsField(fn (): Purchase => $this->desk->alter(
            $purchase->id,
            $request->integer('version'),
            $request->lines($purchase->load('lines')),
            $request->expected(),
            $request->string('note')->trim()->value(),
        ));

        return redirect()->route('purchases.show', $purchase)->with('done', 'Saved.');
    }

    public function add(PurchaseRequest $request, Purchase $purchase, ItemSearch $search): RedirectResponse
    {
        $lines = $request->has('cell') ? $request->cells() : [$request->more($search)];
        $lines === [] && throw Refused::because('nothing_chosen', 'Type how many in at least one cell.');
        $request->saidAtItsField(fn (): Purchase => $this->desk->add(
            $purchase->id, $request->integer('version'), $lines,
        ));

        return redirect()->route('purchases.show', $purchase)->with('done', count($lines) === 1
            ? "{$lines[0]->item->code} is on it."
            : count($lines).' items are on it.');
    }

    public function send(Request $request, Purchase $purchase): RedirectResponse
    {
        $sent = $this->desk->send($purchase->id, $request->integer('version'));
        $mailed = $sent->supplier->mail !== '';
        $mailed && $this->paper->mail($sent);

        return redirect()
            ->route('purchases.show', $sent)
            ->with('done', $mailed
                ? "It is mailed to {$sent->supplier->mail}; its goods are expected now."
                : 'It counts as sent; print it or save its file for the supplier.');
    }

    public function expect(PurchaseRequest $request, Purchase $purchase): RedirectResponse
    {
        $day = $request->expected() ?? throw Refused::because('expected_past', 'Type the day it is expected.');
        $request->saidAtItsField(fn (): Purchase => $this->desk->expect(
            $purchase->id, $request->integer('version'), $day,
        ));

        return redirect()->route('purchases.show', $purchase)->with('done', 'The day is noted.');
    }

    public function close(Request $request, Purchase $purchase): RedirectResponse
    {
        $this->desk->close($purchase->id, $request->integer('version'));

        return redirect()
            ->route('purchases.show', $purchase)
            ->with('done', 'What has not come will not come; who waited for it waits anew.');
    }

    public function pdf(Purchase $purchase): Response
    {
        return response($this->paper->pdf($purchase), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$purchase->label}.pdf\"",
        ]);
    }

    public function ubl(Purchase $purchase): Response
    {
        return response($this->paper->ubl($purchase), 200, [
            'Content-Type' => 'application/xml',
            'Content-Disposition' => "attachment; filename=\"{$purchase->label}.xml\"",
        ]);
    }
}
