<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Sight;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Counting a drawer, and closing it on a count. */
final class CountController
{
    public function __construct(
        private readonly AtTill $atTill,
        private readonly House $house,
        private readonly Drawer $drawer,
        private readonly ReadTerminal $terminal,
    ) {
    }

    public function show(OpenMatters $matters): View|RedirectResponse
    {
        $session = OpenSessions::at($this->atTill->till()->id)?->load(['till', 'counts']);

        return $session === null
            ? redirect()->route('till')
            : view('tills.count', [
                'till' => $this->atTill->till(),
                'session' => $session,
                'seen' => (int) $session->counts->max('number'),
                'units' => Rows::of($this->house),
                'cheques' => $this->drawer->cheques($session),
                'report' => $this->terminal->of($session),
                'matters' => $matters->at($this->atTill->till()),
                'house' => $this->house,
            ]);
    }

    /** What was typed so far comes to, row by row; a row that makes no sense comes to nothing yet. */
    public function sums(Request $request): JsonResponse
    {
        $typed = array_filter(
            $request->array('rows'),
            static fn (mixed $pieces): bool => is_string($pieces) && preg_match('/^\d{1,6}$/D', trim($pieces)) === 1,
        );
        krsort($typed);
        [$worth, $soFar] = [[], []];
        $total = $this->house->money(0);

        foreach ($typed as $minor => $pieces) {
            $one = $this->house->money((int) $minor)->times((int) $pieces);
            $total = $total->plus($one);
            [$worth[$minor], $soFar[$minor]] = [Show::money($one), Show::money($total)];
        }

        return response()->json([
            'worth' => (object) $worth,
            'soFar' => (object) $soFar,
            'total' => Show::money($total),
        ]);
    }

    /** Fixes it. The terminal is asked again: what it reports then holds, whatever the page showed. */
    public function fix(CountRequest $request, CountTill $count, #[CurrentUser] Staff $by): RedirectResponse
    {
        $till = $this->atTill->till();
        $session = OpenSessions::at($till->id)?->load('till');
        $report = $session === null ? null : $this->terminal->of($session);
        $made = $count->handle($till, $request->counted($report), $request->integer('seen'), $by);
        $then = $session === null ? null : $this->terminal->of($session);

        // A card was approved between the question and the count: nothing is from here on, and this report holds.
        if ($report !== null && $then !== null && ! $then->total()->equals($report->total())) {
            $count->handle($till, $request->counted($then), $made->number, $by);
        }

        return redirect()->route('till');
    }

    public function goOn(CountTill $count): RedirectResponse
    {
        $count->goOn($this->atTill->till());

        return redirect()->route('till')->with('done', 'It goes on; the count stays on record.');
    }

    public function close(
        CloseRequest $request,
        CloseTill $close,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $session = $request->saidAtItsField(fn (): TillSession => $close->handle(
            $this->atTill->till(),
            $request->integer('count'),
            $request->sum('left_in'),
            $request->string('note')->value(),
            $by,
            $request->string('key')->value(),
            $check->given($request)?->approver,
        ));

        return redirect()->route('till.session', $session->id)->with('original', true);
    }

    /** What a session was closed on, for who closes drawers and for who counted it. */
    public function session(int $session, Sight $sight, #[CurrentUser] Staff $by): View
    {
        $found = TillSession::query()
            ->with(['till.location', 'opener', 'closer', 'witness', 'counts.ways', 'counts.pieces', 'counts.counter'])
            ->where('state', SessionState::Closed)
            ->findOrFail($session);
        abort_unless(
            $sight->sees($by, $found->location_id)
                && ($by->mayDo(Ability::CloseTill) || $found->counts->contains('counted_by', $by->id)),
            403,
        );

        return view('tills.session', [
            'session' => $found,
            'count' => $found->counts->last(),
            'cheques' => $this->drawer->cheques($found),
            'listed' => $this->drawer->listed($found),
            'documents' => $this->drawer->documentCount($found),
            'without' => $this->drawer->openedWithoutSale($found),
            'dates' => $this->drawer->dates($found),
            'house' => $this->house,
        ]);
    }
}
