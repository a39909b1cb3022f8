<?php

declare(strict_types=1);

namespace Elmstone\Counter\Look;

use Elmstone\Catalogue\Item;
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
use Illuminate\Http\Request;

/** What is seen from the counter without leaving it. Looking never changes the slip. */
final class LookController
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly SlipDesk $desk,
        private readonly CounterPage $page,
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
