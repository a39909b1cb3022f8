<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Refused;
use Elmstone\Paper\Pdf;
use Elmstone\Purchasing\Receiving\Received;
use Elmstone\Purchasing\Transfers\CountTransferIn;
use Elmstone\Purchasing\Transfers\SendGoods;
use Elmstone\Purchasing\Transfers\Transfer;
use Elmstone\Purchasing\Transfers\TransferState;
use Elmstone\Purchasing\Transfers\WantedThere;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Goods from one location to another: what is on its way, sending, counting in. */
final class TransferController
{
    private const PAGE = 40;

    /** Empty rows on the sheet, after what is proposed. */
    private const ROWS = 8;

    public function __construct(private readonly AtTill $atTill, private readonly House $house)
    {
    }

    public function index(Request $request): View
    {
        $state = TransferState::tryFrom($request->string('state')->value()) ?? TransferState::Sent;

        return view('purchasing.transfers.index', [
            'transfers' => Transfer::query()
                ->with(['from', 'to', 'lines.item'])
                ->where('state', $state)
                ->when(
                    $state === TransferState::Sent,
                    static fn ($query) => $query->orderBy('expected_on')->orderBy('id'),
                    static fn ($query) => $query->orderByDesc('id'),
                )
                ->simplePaginate(self::PAGE)
                ->withQueryString(),
            'state' => $state,
            'here' => $this->atTill->till()->location,
            'day' => ShopTime::today(),
        ]);
    }

    public function create(Request $request, WantedThere $wanted): View
    {
        $here = $this->atTill->till()->location;
        $places = Location::query()->whereKeyNot($here->id)->orderBy('name')->get();
        $chosen = old('to');
        $to = $places->firstWhere('id', is_string($chosen) ? (int) $chosen : $request->integer('to'))
            ?? $places->first();

        return view('purchasing.transfers.new', [
            'here' => $here,
            'places' => $places,
            'to' => $to,
            'wanted' => $to === null ? [] : $wanted->free($to->id, $here->id),
            'rows' => self::ROWS,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function store(
        TransferRequest $request,
        SendGoods $send,
        ItemSearch $search,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $to = Location::query()->find($request->integer('to'))
            ?? throw Refused::because('nowhere', 'Choose where the goods go.');
        $lines = $request->lines($search);
        $transfer = $request->saidAtItsField(fn (): Transfer => $send->handle(
            $to,
            $lines,
            $request->expected(),
            $request->string('note')->trim()->value(),
            $this->atTill->till(),
            $by,
            $request->string('key')->value(),
        ));

        return redirect()
            ->route('transfers.show', $transfer)
            ->with('done', "The goods are on their way to {$to->town}. Print the list and send it with them.");
    }

    public function show(Transfer $transfer): View
    {
        $here = $this->atTill->till()->location;
        $transfer->load(['from', 'to', 'staff', 'document', 'lines.item', 'counts.document.staff']);

        return view('purchasing.transfers.show', [
            'transfer' => $transfer,
            'here' => $here,
            'mayCount' => $transfer->isOnItsWay() && $transfer->endsAt($here->id),
            'day' => ShopTime::today(),
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function count(
        TransferRequest $request,
        Transfer $transfer,
        CountTransferIn $count,
        WaitsForGoods $orders,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $counted = $request->counted($transfer->load('lines'));
        $received = $request->saidAtItsField(fn (): Received => $count->handle(
            $transfer,
            $request->integer('version'),
            $counted,
            $request->string('why')->trim()->value(),
            $this->atTill->till(),
            $by,
            $request->string('key')->value(),
        ));
        $labels = $orders->labels($received->agreements());
        $isDone = ! $transfer->refresh()->isOnItsWay();

        return redirect()
            ->route('transfers.show', $transfer)
            ->with('done', ($isDone ? 'All of it is accounted for.' : 'Counted in; the rest is still on its way.')
                .($labels === [] ? '' : ' Set aside at once for '.implode(', ', $labels).': the labels are printed.'));
    }

    public function pdf(Transfer $transfer, Pdf $pdf): Response
    {
        $paper = view('purchasing.transfers.paper', [
            'transfer' => $transfer->load(['from', 'to', 'staff', 'document.lines', 'lines.item']),
            'shop' => $this->house->shop(),
        ]);

        return response($pdf->a4($paper->render()), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$transfer->label}.pdf\"",
        ]);
    }
}
