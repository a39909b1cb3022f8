<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Accounts;
use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Doors\CheckPin;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The drawer of the till somebody stands at: its float, what it should hold, cash in and out. */
final class TillController
{
    private const SHOWN = 20;

    public function __construct(
        private readonly AtTill $atTill,
        private readonly House $house,
        private readonly Drawer $drawer,
    ) {
    }

    public function show(OpenTill $open, OpenMatters $matters, #[CurrentUser] Staff $by): View
    {
        $till = $this->atTill->till();
        $session = OpenSessions::at($till->id)?->load(['till', 'opener', 'holder', 'counts.ways', 'counts.counter']);
        $moves = $session === null ? new Collection : $this->moves($session);
        $closes = $by->mayDo(Ability::CloseTill);
        $reads = $closes || ! $this->house->shop()->blind_counts;

        return view('tills.show', [
            'till' => $till,
            'session' => $session,
            'count' => $session?->state === SessionState::Counted ? $session->counts->last() : null,
            'expected' => $session !== null && $reads ? $this->drawer->expected($session) : null,
            'listed' => $session !== null && $reads ? $this->drawer->listed($session) : [],
            'documents' => $session === null ? 0 : $this->drawer->documentCount($session),
            'carried' => $session === null ? $open->carried($till) : null,
            'units' => Rows::of($this->house),
            'petty' => Accounts::PETTY,
            'moves' => $moves,
            'receipts' => PettyReceipt::among(array_values($moves->modelKeys())),
            'matters' => $session === null ? [] : $matters->at($till),
            'key' => old('key', (string) Str::uuid()),
            'by' => $by,
            'shop' => $this->house->shop(),
            'closed' => TillSession::query()
                ->with(['till', 'closer', 'counts.ways'])
                ->where('till_id', $till->id)
                ->where('state', SessionState::Closed)
                ->when(! $closes, static fn ($closed) => $closed->whereHas(
                    'counts',
                    static fn ($counts) => $counts->where('counted_by', $by->id),
                ))
                ->orderByDesc('number')
                ->limit(self::SHOWN)
                ->get(),
        ]);
    }

    /** @return Collection<int, Document> what came and went besides sales, last first */
    private function moves(TillSession $session): Collection
    {
        return Document::query()
            ->with(['staff', 'tenders'])
            ->where('session_id', $session->id)
            ->whereIn('purpose', Purpose::movingCash())
            ->orderByDesc('id')
            ->get();
    }

    /** Opens it, and goes back to the slip it was opened from. */
    public function open(FloatRequest $request, OpenTill $open, #[CurrentUser] Staff $by): RedirectResponse
    {
        $session = $open->handle(
            $this->atTill->till(),
            $request->counted(),
            $by,
            $request->string('key')->value(),
        );
        $slip = $request->string('slip')->value();

        return ($slip === '' ? redirect()->route('till') : redirect()->route('counter.show', $slip))
            ->with('done', "{$session->label()} is open.");
    }

    /** Cash from the safe, a drop into it, change fetched, petty cash. */
    public function cash(
        CashRequest $request,
        MoveCash $move,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $request->saidAtItsField(fn (): int => $move->handle(
            $this->atTill->till(),
            $request->moved(),
            $by,
            $request->string('key')->value(),
            $check->given($request),
        ));

        return redirect()
            ->route('till')
            ->with('done', Document::query()->findOrFail($document)->label.' is posted.');
    }

    /** What should be there now, on paper. */
    public function reading(): View|RedirectResponse
    {
        $session = OpenSessions::at($this->atTill->till()->id)?->load(['till.location', 'opener', 'holder']);

        return $session === null
            ? redirect()->route('till')
            : view('tills.reading', [
                'session' => $session,
                'expected' => $this->drawer->expected($session),
                'listed' => $this->drawer->listed($session),
                'documents' => $this->drawer->documentCount($session),
                'without' => $this->drawer->openedWithoutSale($session),
                'dates' => $this->drawer->dates($session),
                'moves' => $this->moves($session),
                'petty' => Accounts::PETTY,
                'house' => $this->house,
            ]);
    }

    /** A drawer of one's own goes to another, who says so with a PIN. */
    public function handOver(
        Request $request,
        HandOver $handOver,
        CheckPin $checkPin,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $till = $this->atTill->till();
        $to = $checkPin->handle(
            $request->string('to_number')->trim()->value(),
            $request->string('to_pin')->value(),
            $till->id,
        );
        $session = $handOver->handle($till, $to, $by);

        return redirect()->route('till')->with('done', "{$session->label()} is {$to->name}’s now.");
    }

    /** The picture of what petty cash was spent on. */
    public function receipt(int $petty): Response
    {
        Document::query()
            ->where('location_id', $this->atTill->till()->location_id)
            ->findOrFail($petty);
        $receipt = PettyReceipt::of($petty) ?? abort(404);

        return response($receipt->bytes, 200, ['Content-Type' => $receipt->type]);
    }
}
