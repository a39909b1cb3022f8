<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Accounts;
use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Till\Denominations;
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
use Illuminate\Support\Str;

/** The drawer of the till somebody stands at. */
final class TillController
{
    private const SHOWN = 20;

    public function __construct(
        private readonly AtTill $atTill,
        private readonly House $house,
        private readonly Drawer $drawer,
    ) {
    }

    public function show(OpenTill $open, #[CurrentUser] Staff $by): View
    {
        $till = $this->atTill->till();
        $session = OpenSessions::at($till->id)?->load(['till', 'opener', 'counts.ways', 'counts.counter']);
        $reads = $by->mayDo(Ability::CloseTill);

        return view('tills.show', [
            'till' => $till,
            'session' => $session,
            'count' => $session?->state === SessionState::Counted ? $session->counts->last() : null,
            'expected' => $session !== null && $reads ? $this->drawer->expected($session) : null,
            'listed' => $session !== null && $reads ? $this->drawer->listed($session) : [],
            'documents' => $session === null ? 0 : $this->drawer->documentCount($session),
            'carried' => $session === null ? $open->carried($till) : null,
            'units' => $this->units(),
            'petty' => Accounts::PETTY,
            'moves' => $session === null ? [] : Document::query()
                ->with(['staff', 'tenders'])
                ->where('session_id', $session->id)
                ->whereIn('purpose', Purpose::movingCash())
                ->orderByDesc('id')
                ->get(),
            'key' => old('key', (string) Str::uuid()),
            'closed' => TillSession::query()
                ->with(['till', 'closer', 'counts.ways'])
                ->where('till_id', $till->id)
                ->where('state', SessionState::Closed)
                ->when(! $reads, static fn ($closed) => $closed->whereHas(
                    'counts',
                    static fn ($counts) => $counts->where('counted_by', $by->id),
                ))
                ->orderByDesc('number')
                ->limit(self::SHOWN)
                ->get(),
        ]);
    }

    public function open(FloatRequest $request, OpenTill $open, #[CurrentUser] Staff $by): RedirectResponse
    {
        $session = $open->handle(
            $this->atTill->till(),
            $request->counted(),
            $by,
            $request->string('key')->value(),
        );

        return redirect()->route('till')->with('done', "{$session->label()} is open.");
    }

    /** Cash from the safe, a drop into it, petty cash. */
    public function cash(
        CashRequest $request,
        MoveCash $move,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $request->saidAtItsField(fn (): int => $move->handle(
            $this->atTill->till(),
            $request->move(),
            $request->sum('amount'),
            $request->string('account')->value(),
            $request->string('reason')->trim()->value(),
            $by,
            $request->string('key')->value(),
            $check->given($request),
        ));

        return redirect()
            ->route('till')
            ->with('done', Document::query()->findOrFail($document)->label.' is posted.');
    }

    public function count(#[CurrentUser] Staff $by): View|RedirectResponse
    {
        $session = OpenSessions::at($this->atTill->till()->id)?->load(['till', 'counts']);

        return $session === null
            ? redirect()->route('till')
            : view('tills.count', [
                'till' => $this->atTill->till(),
                'session' => $session,
                'seen' => (int) $session->counts->max('number'),
                'units' => $this->units(),
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

    public function fix(CountRequest $request, CountTill $count, #[CurrentUser] Staff $by): RedirectResponse
    {
        $count->handle(
            $this->atTill->till(),
            $request->cash(),
            $request->sum('cheques'),
            $request->sum('cards'),
            $request->integer('seen'),
            $by,
        );

        return redirect()->route('till');
    }

    public function goOn(CountTill $count): RedirectResponse
    {
        $count->goOn($this->atTill->till());

        return redirect()->route('till')->with('done', 'It goes on; the count stays on record.');
    }

    public function close(CloseRequest $request, CloseTill $close, #[CurrentUser] Staff $by): RedirectResponse
    {
        $session = $request->saidAtItsField(fn (): TillSession => $close->handle(
            $this->atTill->till(),
            $request->integer('count'),
            $request->sum('left_in'),
            $request->string('note')->value(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()->route('till.session', $session->id);
    }

    /** What a session was closed on, for who closes drawers and for who counted it. */
    public function session(int $session, Sight $sight, #[CurrentUser] Staff $by): View
    {
        $found = TillSession::query()
            ->with(['till.location', 'opener', 'closer', 'counts.ways', 'counts.pieces', 'counts.counter'])
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
            'listed' => $this->drawer->listed($found),
            'documents' => $this->drawer->documentCount($found),
            'house' => $this->house,
        ]);
    }

    /** @return array<int, Money> by minor units, largest first */
    private function units(): array
    {
        return Denominations::of($this->house->currency())?->all()
            ?? Denominations::byWorth($this->house->notes());
    }
}
