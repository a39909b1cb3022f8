<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Elmstone\Orders\FindOrders;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The orders as a list to work through. */
final class WorklistController
{
    private const PAGE = 40;

    public function __construct(private readonly House $house)
    {
    }

    public function index(Request $request, FindOrders $find): View
    {
        $day = ShopTime::today();
        $tab = OrderTab::tryFrom($request->string('tab')->value()) ?? OrderTab::Wanted;
        $typed = $request->string('find')->trim()->value();
        $query = $tab->query($day)->with(['customer', 'allLines', 'progress']);
        $page = $typed === '' ? $query->simplePaginate(self::PAGE)->withQueryString() : null;

        return view('orders.index', [
            'tab' => $tab,
            'find' => $typed,
            'report' => OrderList::of($page?->items() ?? $find->byWords($typed, self::PAGE), $tab, $day, $this->house)
                ->orElse($typed !== ''
                    ? 'No order is found by that.'
                    : 'None here. An order is made at the counter: put the goods and the customer on a slip, then '
                        .'“Order” in Settle.'),
            'pages' => $page,
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        $day = ShopTime::today();
        $tab = OrderTab::tryFrom($request->string('tab')->value()) ?? OrderTab::Wanted;

        return OrderList::of(
            $tab->query($day)->with(['customer', 'allLines', 'progress'])->lazy(500), $tab, $day, $this->house,
        )->csv();
    }
}
