<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Layaways\FindLayaways;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The layaways as a list to work through. */
final class WorklistController
{
    private const PAGE = 40;

    /** So many are counted; beyond it the page says that there are more. */
    public const COUNTED = 999;

    public function __construct(private readonly House $house)
    {
    }

    public function index(Request $request, FindLayaways $find): View
    {
        $day = ShopTime::today();
        $tab = WorklistTab::tryFrom($request->string('tab')->value()) ?? WorklistTab::Due;
        $typed = $request->string('find')->trim()->value();
        $query = $tab->query($day)->with(['customer', 'allLines']);

        $page = $typed === '' ? $query->simplePaginate(self::PAGE)->withQueryString() : null;
        $layaways = $page?->items() ?? $find->byWords($typed, self::PAGE);

        return view('layaways.index', [
            'tab' => $tab,
            'counts' => $this->counts($day),
            'find' => $typed,
            'report' => LayawayList::of($layaways, $tab, $day, $this->house)->orElse(
                $typed !== ''
                    ? 'No layaway is found by that.'
                    : 'None here. A layaway is made at the counter: put the goods and the customer on a slip, then '
                        .'“Hold as layaway”.',
            ),
            'pages' => $page,
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        $day = ShopTime::today();
        $tab = WorklistTab::tryFrom($request->string('tab')->value()) ?? WorklistTab::Due;

        return LayawayList::of($tab->query($day)->with('customer')->lazy(500), $tab, $day, $this->house)->csv();
    }

    /** @return array<string, int> by tab; the ended ones are not counted */
    private function counts(CarbonImmutable $day): array
    {
        $counts = [];

        foreach ([WorklistTab::Due, WorklistTab::Behind, WorklistTab::Ready, WorklistTab::Expiring] as $tab) {
            $counts[$tab->value] = DB::query()
                ->fromSub(
                    $tab
                        ->query($day)
                        ->reorder()
                        ->select('id')
                        ->limit(self::COUNTED + 1),
                    'some',
                )
                ->count();
        }

        return $counts;
    }
}
