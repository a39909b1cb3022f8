<?php

declare(strict_types=1);

namespace Elmstone\Counter\Look;

use Elmstone\Catalogue\Families\Family;
use Elmstone\Catalogue\Families\FamilyCell;
use Elmstone\Catalogue\Families\FamilyGrid;
use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Pricing\PriceQuote;
use Elmstone\Counter\Page\CounterPage;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Customers\Customer;
use Elmstone\Customers\PriceLevel;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Staff\AtTill;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/** What is seen from the counter without leaving it. Looking never changes the slip. */
final class LookController
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly SlipDesk $desk,
        private readonly CounterPage $page,
        private readonly OnTheirWay $coming,
    ) {
    }

    /** The slip's customer: how they stand, what they owe, what they bought before and paid for it. */
    public function customer(Request $request, string $slip): View
    {
        $on = $this->slip($request, $slip);

        return $this->known($on, $on->customer, $on->isDone());
    }

    /** A row of the entry line's list, before it is taken; or what stands on a line. */
    public function row(Request $request, string $slip): View
    {
        $on = $this->slip($request, $slip);

        if ($request->filled('family')) {
            return $this->family($on, $request->integer('family'));
        }

        return $request->filled('customer')
            ? $this->known($on, Customer::query()->findOrFail($request->integer('customer')), true)
            : view('counter.look.item', [
                'look' => ItemLook::at(
                    Item::query()->findOrFail($request->integer('item')),
                    $on,
                    $this->atTill->till()->location_id,
                ),
                'day' => $on->day(),
            ]);
    }

    /** The coupons in force that would take something off this slip. */
    public function coupons(Request $request, string $slip): View
    {
        $on = $this->slip($request, $slip);

        return view('counter.look.coupons', [
            'fit' => $on->isDone() ? [] : CouponsThatFit::on(ReckonedCounter::of($on, $this->house), $this->house),
        ]);
    }

    /** What of tax and price level can be its own, and is. */
    public function terms(Request $request, string $slip): View
    {
        return view('counter.look.terms', [
            'slip' => $this->slip($request, $slip),
            'levels' => PriceLevel::query()->orderBy('name')->get(),
            'places' => TaxProfileRecord::query()->orderBy('name')->get(),
        ]);
    }

    /** A family's grid, to pick from: what is free here, on order, and at what price for the slip's customer. */
    private function family(Slip $on, int $family): View
    {
        $grid = FamilyGrid::of(Family::query()->findOrFail($family), $this->coming);
        $items = (new Collection(array_map(static fn (FamilyCell $cell): Item => $cell->item, $grid->cells())))
            ->load(['breaks', 'promotions'])
            ->keyBy('id');
        $terms = $on->priceTerms()?->preload($items->modelKeys());

        return view('counter.look.family', [
            'grid' => $grid,
            'place' => $this->atTill->till()->location_id,
            'quotes' => $items
                ->map(static fn (Item $item): PriceQuote => PriceBooks::of($item, $terms)
                    ->quote(Quantity::of('1'), $on->day()))
                ->all(),
        ]);
    }

    /** @param  bool  $onlyLooks nothing of it can be taken: they are not on the slip, or it is posted */
    private function known(Slip $slip, ?Customer $customer, bool $onlyLooks): View
    {
        return view('counter.look.customer', [
            'look' => CustomerLook::at($customer, $this->house, $slip->day()),
            'slip' => $slip,
            'onlyLooks' => $onlyLooks,
        ]);
    }

    private function slip(Request $request, string $key): Slip
    {
        return $this->desk->read($key, $this->page->act($request));
    }
}
