<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Books\Proof\RunProof;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\LongWork;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** The calendar of what is open and closed. */
final class CalendarController
{
    private const PROOF_SECONDS = 900;

    public function calendar(Request $request, Calendar $calendar, MonthChecks $checks): View
    {
        $month = $request->query('month');
        $first = is_string($month) && preg_match('/^\d{4}-(0[1-9]|1[0-2])$/D', $month) === 1
            ? CarbonImmutable::parse("{$month}-01", 'UTC')
            : ShopTime::today()->startOfMonth();

        return view('tills.calendar', [
            'month' => $calendar->of($first),
            'checks' => $first->endOfMonth()->startOfDay()->lessThan(ShopTime::today())
                ? $checks->of($first->endOfMonth()->startOfDay())
                : [],
            'history' => $calendar->history(),
        ]);
    }

    public function close(Request $request, CloseDay $close, #[CurrentUser] Staff $by): RedirectResponse
    {
        $location = $request->integer('location');
        $closing = self::said(
            "close{$location}",
            fn (): Closing => $close->handle($location, DayAsked::of($request->input('day')), $by),
        );

        return $this->back($closing)->with('done', "Closed through {$closing->through->format('j M Y')}.");
    }

    public function reopen(Request $request, CloseDay $close, #[CurrentUser] Staff $by): RedirectResponse
    {
        $closing = self::said('reopen', fn (): Closing => $close->reopen(
            $request->integer('location'),
            DayAsked::of($request->input('day')),
            $request->string('reason')->trim()->value(),
            $by,
        ));

        return $this->back($closing)->with('done', "Open again from {$closing->from_day->format('j M Y')}.");
    }

    public function closeMonth(Request $request, CloseMonth $close, #[CurrentUser] Staff $by): RedirectResponse
    {
        $closing = self::said('month', fn (): Closing => $close->handle(DayAsked::of($request->input('day')), $by));

        return $this->back($closing)->with('done', "{$closing->through->format('F Y')} is closed.");
    }

    public function reopenMonth(Request $request, CloseMonth $close, #[CurrentUser] Staff $by): RedirectResponse
    {
        $closing = self::said('reopen', fn (): Closing => $close->reopen(
            DayAsked::of($request->input('day')),
            $request->string('reason')->trim()->value(),
            $by,
        ));

        return $this->back($closing)->with('done', "{$closing->through->format('F Y')} is open again.");
    }

    public function prove(Request $request, RunProof $run): RedirectResponse
    {
        // All that was posted since the last proof is reckoned again, which takes its time.
        LongWork::mayTake(self::PROOF_SECONDS);
        $faults = count($run->handle()->faults);

        return redirect()
            ->route('calendar', ['month' => DayAsked::of($request->input('day'))->format('Y-m')])
            ->with('done', $faults === 0 ? 'The books prove.' : "{$faults} faults were found.");
    }

    private function back(Closing $closing): RedirectResponse
    {
        return redirect()->route('calendar', ['month' => $closing->through->format('Y-m')]);
    }

    /**
     * @template T
     *
     * @param  callable(): T  $act
     * @return T
     *
     * @throws ValidationException
     */
    private static function said(string $field, callable $act): mixed
    {
        try {
            return $act();
        } catch (Refused $refused) {
            throw ValidationException::withMessages([$field => $refused->getMessage()]);
        }
    }
}
