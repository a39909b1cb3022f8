<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Shop\House;
use Elmstone\Support\Csv;
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

        return view('layaways.index', [
            'tab' => $tab,
            'counts' => $this->counts($day),
            'find' => $typed,
            'layaways' => $typed === ''
                    ? $query->simplePaginate(self::PAGE)->withQueryString()
                    : $find->byWords($typed, self::PAGE),
            'day' => $day,
            'house' => $this->house,
        ]);
    }

    public function csv(Request $request): StreamedResponse
    {
        $day = ShopTime::today();
        $tab = WorklistTab::tryFrom($request->string('tab')->value()) ?? WorklistTab::Due;

        return Csv::download(
            "layaways-{$tab->value}-{$day->format('Y-m-d')}.csv",
            [
                'layaway', 'customer', 'name', 'phone', 'made on', 'state', 'total', 'paid', 'remaining', 'next due',
                'next amount', 'expires on', 'shelf', 'currency',
            ],
            (function () use ($tab, $day): iterable {
                foreach ($tab->query($day)->with('customer')->lazy(500) as $layaway) {
                    $money = fn (int $minor): string => $this->house->money($minor)->toString();

                    yield [
                        $layaway->label,
                        (string) $layaway->customer->number,
                        $layaway->customer->name,
                        $layaway->customer->phone,
                        $layaway->made_on->format('Y-m-d'),
                        $layaway->stateWord($day),
                        $money($layaway->total),
                        $money($layaway->held),
                        $layaway->state->isOpen() ? $money($layaway->remaining()) : '0.00',
                        $layaway->next_due?->format('Y-m-d') ?? '',
                        $money($layaway->next_open),
                        $layaway->expires_on->format('Y-m-d'),
                        $layaway->shelf,
                        $this->house->currency()->code,
                    ];
                }
            })(),
        );
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
