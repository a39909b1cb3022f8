<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Document;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Tills\Rows;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** What lies in the safe of the location somebody is at, and what is on its way to the bank. */
final class SafeController
{
    private const SHOWN = 12;

    public function __construct(
        private readonly AtTill $atTill,
        private readonly House $house,
        private readonly Safe $safe,
    ) {
    }

    public function show(): View
    {
        $location = $this->atTill->till()->location;

        return view('tills.safe', [
            'location' => $location,
            'house' => $this->house,
            'cash' => $this->safe->cash($location->id),
            'cheques' => $this->safe->cheques($location->id),
            'onTheWay' => $this->safe->onTheWay(),
            'batches' => $this->safe->batches(),
            'units' => Rows::of($this->house),
            'key' => old('key', (string) Str::uuid()),
            'made' => Lodgement::query()
                ->with(['document', 'location', 'credits'])
                ->orderByDesc('id')
                ->limit(self::SHOWN)
                ->get(),
        ]);
    }

    public function fetch(SafeRequest $request, FetchCash $fetch, #[CurrentUser] Staff $by): RedirectResponse
    {
        $document = $request->saidAtItsField(fn () => $fetch->handle(
            $this->atTill->till(),
            $request->sum('amount'),
            $request->string('fetch_note')->trim()->value(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()->route('safe')->with('done', "{$document->label} is posted.");
    }

    public function count(): View
    {
        $location = $this->atTill->till()->location;

        return view('tills.safe-count', [
            'location' => $location,
            'house' => $this->house,
            'cash' => $this->safe->cash($location->id),
            'units' => Rows::of($this->house),
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function counted(SafeRequest $request, CountSafe $count, #[CurrentUser] Staff $by): RedirectResponse
    {
        $off = $request->saidAtItsField(fn (): ?Document => $count->handle(
            $this->atTill->till(),
            $request->cash(),
            $request->seen('left'),
            $request->string('note')->trim()->value(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()->route('safe')->with('done', $off === null
            ? 'The safe is right.'
            : "The safe is off by {$off->total->toString()}: {$off->label} posts it.");
    }

    public function payIn(SafeRequest $request, PayIn $payIn, #[CurrentUser] Staff $by): RedirectResponse
    {
        $lodgement = $request->saidAtItsField(fn (): Lodgement => $payIn->handle(
            $this->atTill->till(),
            $request->cash(),
            $request->ids('paid_cheques'),
            $request->string('pay_in_reference')->trim()->value(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()
            ->route('safe.lodgement', $lodgement->id)
            ->with('done', "{$lodgement->document->label} is on its way to the bank.");
    }

    public function cards(SafeRequest $request, PayOutCards $payOut, #[CurrentUser] Staff $by): RedirectResponse
    {
        $lodgement = $request->saidAtItsField(fn (): Lodgement => $payOut->handle(
            $this->atTill->till(),
            $request->ids('batches'),
            $request->sum('fee'),
            $request->string('payout_reference')->trim()->value(),
            $request->day('paid_on'),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()->route('safe')->with('done', "{$lodgement->document->label} is on its way to the bank.");
    }

    public function lodgement(int $lodgement): View
    {
        return view('tills.lodgement', [
            'lodgement' => self::found($lodgement),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    /** The slip that goes to the bank with it. */
    public function slip(int $lodgement, Pdf $pdf): Response
    {
        $found = self::found($lodgement);
        abort_unless($found->kind === Lodgement::PAYING_IN, 404);
        $html = view('tills.paying-in-slip', [
            'lodgement' => $found,
            'shop' => $this->house->shop(),
            'house' => $this->house,
            'paperTitle' => "Paying-in {$found->document->label}",
            'pdf' => true,
        ])->render();

        return response($pdf->a4($html), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$found->document->label}.pdf\"",
        ]);
    }

    public function credited(
        SafeRequest $request,
        MeetCredit $meet,
        int $lodgement,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $found = self::found($lodgement);
        $request->saidAtItsField(fn (): int => $meet->handle(
            $found,
            $request->sum('amount'),
            $request->day('credited_on'),
            $this->atTill->till(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()->route('safe.lodgement', $lodgement)->with('done', 'The bank’s credit is posted.');
    }

    public function settle(
        SafeRequest $request,
        MeetCredit $meet,
        int $lodgement,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $found = self::found($lodgement);
        $request->saidAtItsField(fn (): int => $meet->settle(
            $found,
            $request->seen('left'),
            $request->string('reason')->trim()->value(),
            $this->atTill->till(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()->route('safe.lodgement', $lodgement)->with('done', 'The difference is settled.');
    }

    private static function found(int $lodgement): Lodgement
    {
        return Lodgement::query()
            ->with(['document.staff', 'location', 'credits.document', 'pieces', 'chequesIn'])
            ->findOrFail($lodgement);
    }
}
