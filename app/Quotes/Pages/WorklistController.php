<?php

declare(strict_types=1);

namespace Elmstone\Quotes\Pages;

use Elmstone\Quotes\FindQuotes;
use Elmstone\Quotes\WonRate;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The quotes as a list to work through, with how many are won and why others are lost. */
final class WorklistController
{
    private const PAGE = 40;

    /** So many days back what became of quotes is counted. */
    private const COUNTED = 90;

    public function __construct(private readonly House $house)
    {
    }

    public function index(Request $request, FindQuotes $find): View
    {
        $day = ShopTime::today();
        $tab = QuoteTab::tryFrom($request->string('tab')->value()) ?? QuoteTab::FollowUp;
        $typed = $request->string('find')->trim()->value();
        $page = $typed !== '' ? null : $tab
            ->query($day)
            ->with(['customer', 'staff', 'allLines'])
            ->simplePaginate(self::PAGE)
            ->withQueryString();

        return view('quotes.index', [
            'tab' => $tab,
            'find' => $typed,
            'report' => QuoteList::of(
                $page?->items() ?? $find->byWords($typed, self::PAGE)->load('staff'), $tab, $day, $this->house,
            )->orElse($typed !== ''
                ? 'No quote is found by that.'
                : 'None here. A quote is given at the counter: put the goods on a slip, then “Quote” in Settle.'),
            'pages' => $page,
            'rate' => WonRate::since($day->subDays(self::COUNTED)),
            'counted' => self::COUNTED,
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        $day = ShopTime::today();
        $tab = QuoteTab::tryFrom($request->string('tab')->value()) ?? QuoteTab::FollowUp;

        return QuoteList::of(
            $tab->query($day)->with(['customer', 'staff', 'allLines'])->lazy(500), $tab, $day, $this->house,
        )->csv();
    }
}
