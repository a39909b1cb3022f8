<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Elmstone\Books\Document;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Paper\Pdf;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\TypedWay;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Owners of goods: what of theirs is here, what was sold of it, and settling with them. */
final class OwnerController
{
    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    public function index(): View
    {
        return view('consignment.index', [
            'owners' => Supplier::query()->whereNotNull('owner_percent')->orderBy('name')->get(),
            'others' => Supplier::query()->whereNull('owner_percent')->where('active', true)->orderBy('name')->get(),
            'owed' => OwnerAccount::owed(),
            'items' => Item::query()->whereNotNull('owner_id')->groupBy('owner_id')
                ->selectRaw('owner_id, COUNT(*) AS n')->toBase()->pluck('n', 'owner_id')->all(),
            'house' => $this->house,
        ]);
    }

    public function show(OwnerRequest $request, Supplier $owner): View
    {
        return view('consignment.owner', [
            'owner' => $owner,
            'account' => OwnerAccount::until($owner, $request->until(), $this->house),
            'until' => $request->until(),
            'items' => Item::query()->with('stock')->where('owner_id', $owner->id)->orderBy('description')->get(),
            'here' => $this->atTill->till()->location_id,
            'settlements' => $this->settlements($owner),
            'customer' => $owner->customer_id === null ? null : Customer::query()->find($owner->customer_id),
            'ways' => SettleOwner::WAYS,
            'key' => old('key', (string) Str::uuid()),
            'house' => $this->house,
        ]);
    }

    public function begin(Request $request): RedirectResponse
    {
        $owner = Supplier::query()->whereKey($request->integer('supplier'))->firstOrFail();

        return redirect()->route('owners.show', $owner->code);
    }

    /** What changes for everything of theirs changes for the items that had it so far; others keep their own share. */
    public function terms(OwnerRequest $request, Supplier $owner): RedirectResponse
    {
        $terms = $request->terms();
        $terms['owner_percent'] === null && Item::query()->where('owner_id', $owner->id)->exists()
            && throw Refused::because('still_theirs', 'Items still belong to them: an owner has a share.');
        DB::transaction(static function () use ($owner, $terms): void {
            Item::query()->where('owner_id', $owner->id)->where('owner_percent', $owner->owner_percent)
                ->update(['owner_percent' => $terms['owner_percent']]);
            $owner->forceFill([...$terms, 'version' => $owner->version + 1])->save();
        });

        return $this->to($owner, 'Kept; it holds for what is sold from now on.');
    }

    public function item(
        OwnerRequest $request,
        Supplier $owner,
        ConsignItem $consign,
        ItemSearch $search,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $item = $request->item($search);
        $isTheirs = ! $request->boolean('ours');
        $request->saidAtItsField(static fn () => $consign->handle(
            $item, $isTheirs ? $owner : null, $request->itemShare(), $by,
        ));

        return $this->to($owner, $isTheirs
            ? "{$item->code} is theirs until it is sold."
            : "{$item->code} is the house’s.");
    }

    public function takeIn(
        OwnerRequest $request,
        Supplier $owner,
        TakeIn $takeIn,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $takeIn->handle(
            $owner, $request->goods(), $this->atTill->till(), $by, $request->string('key')->value(),
        );

        return $this->to($owner, 'Taken in by '.self::label($document).'.');
    }

    public function giveBack(
        OwnerRequest $request,
        Supplier $owner,
        GiveBack $giveBack,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $giveBack->handle(
            $owner, $request->goods(), $this->atTill->till(), $by, $request->string('key')->value(),
        );

        return $this->to($owner, 'Given back by '.self::label($document).'.');
    }

    public function settle(
        OwnerRequest $request,
        Supplier $owner,
        SettleOwner $settle,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $document = $request->saidAtItsField(fn (): int => $settle->handle(
            $owner,
            $request->until(),
            $this->house->typedMoney($request->string('seen')->value()) ?? $this->house->money(0),
            TypedWay::of($request, 'way', TenderKind::Exchange),
            $request->string('key')->value(),
            $this->atTill->till(),
            $by,
            $check->given($request),
        ));

        return $this->to($owner, 'Settled by '.self::label($document).'.');
    }

    public function paper(Supplier $owner, int $settlement, Pdf $pdf): Response
    {
        $row = DB::table('owner_settlements')->where('owner_id', $owner->id)->where('id', $settlement)->first()
            ?? abort(404);
        $html = view('consignment.paper', [
            'owner' => $owner,
            'document' => Document::query()->with('tenders')->whereKey($row->document_id)->firstOrFail(),
            'lines' => OwnerAccount::settled($owner, $settlement, $this->house)->lines,
            'shares' => $this->house->money((int) $row->shares),
            'fees' => $this->house->money((int) $row->fees),
            'amount' => $this->house->money((int) $row->amount),
            'until' => $row->until,
            'shop' => $this->house->shop(),
            'currency' => $this->house->currency(),
        ])->render();

        return new Response($pdf->a4($html), headers: ['Content-Type' => 'application/pdf']);
    }

    private function to(Supplier $owner, string $done): RedirectResponse
    {
        return redirect()->route('owners.show', $owner->code)->with('done', $done);
    }

    private static function label(int $document): string
    {
        return Document::query()->whereKey($document)->firstOrFail()->label;
    }

    /** @return list<array{int, Document, Money}> the latest first: number, document, what was paid */
    private function settlements(Supplier $owner): array
    {
        $rows = DB::table('owner_settlements')->where('owner_id', $owner->id)->orderByDesc('id')->limit(24)->get();
        $documents = Document::query()->with('tenders')->whereKey($rows->pluck('document_id')->all())->get()
            ->keyBy('id');

        return array_values($rows->map(fn (object $row): array => [
            (int) $row->id,
            $documents[(int) $row->document_id] ?? abort(404),
            $this->house->money((int) $row->amount),
        ])->all());
    }
}
