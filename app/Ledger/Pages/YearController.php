<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Ledger\CloseYear;
use Elmstone\Ledger\Years;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** Years: closed one after the other, the last one opened again. */
final class YearController
{
    public function index(House $house): View
    {
        $shop = $house->shop();

        return view('ledger.years', [
            'next' => Years::next($shop, ShopTime::today()),
            'end' => Years::endOf(ShopTime::today(), $shop->year_ends),
            'shop' => $shop,
            'years' => Years::closed(),
            'labels' => Document::query()->whereIn('id', Years::closed()->pluck('reopened_by_id')->filter())
                ->pluck('label', 'id'),
            'house' => $house,
            'key' => (string) Str::uuid(),
        ]);
    }

    public function close(
        Request $request,
        CloseYear $close,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid'], 'end' => ['required', 'date_format:Y-m-d']]);
        $end = CarbonImmutable::createFromFormat('!Y-m-d', $request->string('end')->value()) ?? ShopTime::today();
        [$document] = $close->handle($end, $request->string('key')->value(), $atTill->till(), $by);

        return redirect()->route('ledger.years')
            ->with('done', 'Closed by '.Document::query()->findOrFail($document)->label.'.');
    }

    public function reopen(
        Request $request,
        CloseYear $close,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $close->reopen(
            $request->string('reason')->trim()->value(), $request->string('key')->value(), $atTill->till(), $by,
        );

        return redirect()->route('ledger.years')->with('done', 'The year is open again. Its months are still closed.');
    }

    public function ends(Request $request, House $house): RedirectResponse
    {
        $request->validate(['year_ends' => ['required', 'integer', 'between:1,12']]);
        $house->shop()->years_closed_through === null
            ? $house->shop()->update(['year_ends' => $request->integer('year_ends')])
            : null;

        return redirect()->route('ledger.years')->with('done', 'Kept.');
    }
}
