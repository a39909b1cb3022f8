<?php

declare(strict_types=1);

namespace Elmstone\Shares\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Shares\EarnedAt;
use Elmstone\Core\Shares\RateOf;
use Elmstone\Shares\CommissionTerms;
use Elmstone\Shares\RateList;
use Elmstone\Shares\SetRate;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Rates of commission, from when until when, and when it is earned. */
final class RateController
{
    public function index(): View
    {
        return view('shares.rates', [
            'rates' => RateList::all(ShopTime::today()),
            'people' => Staff::query()->where('active', true)->orderBy('number')->get(),
            'departments' => RateList::departments(),
            'earned' => CommissionTerms::earned(),
            'today' => ShopTime::today(),
        ]);
    }

    public function store(RateRequest $request, SetRate $set, #[CurrentUser] Staff $by): RedirectResponse
    {
        [$person, $department] = $request->whose();
        $request->saidAtItsField(static fn () => $set->handle(
            $person,
            $department,
            $request->rate(),
            RateOf::from($request->string('of')->value()),
            $request->day('from_day') ?? ShopTime::today(),
            $request->day('until_day'),
            $by,
        ));

        return redirect()->route('shares.rates')->with('done', 'Kept. What was posted before stays as it is.');
    }

    public function end(Request $request, int $rate, SetRate $set, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate(['last' => ['required', 'date_format:Y-m-d']], ['last.*' => 'Type the last day.']);
        $last = CarbonImmutable::createFromFormat('!Y-m-d', $request->string('last')->value()) ?? ShopTime::today();
        $set->end($rate, $last, $by);

        return redirect()->route('shares.rates')->with('done', 'It ends on that day.');
    }

    public function terms(Request $request, SetRate $set, #[CurrentUser] Staff $by): RedirectResponse
    {
        $earned = EarnedAt::tryFrom($request->string('earned_at')->value());
        $earned === null || $set->earnedAt($earned, $by);

        return redirect()->route('shares.rates')->with('done', 'Kept. It holds for what is posted from now on.');
    }
}
