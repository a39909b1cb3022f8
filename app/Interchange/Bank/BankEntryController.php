<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\CustomerSearch;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Payments\ReturnPayment;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyByNameCast;
use Elmstone\Tills\Safe\Lodgement;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** One entry of a bank's file: whose it is, what it pays, that it is set aside, that it takes a payment back. */
final class BankEntryController
{
    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    public function show(BankFile $file, BankEntry $entry, MeetLodgement $meet): View
    {
        $this->assertOf($file, $entry);
        $day = BankDay::of($entry->booked_on, $this->atTill->till()->location);

        return view('interchange.bank-entry', [
            'file' => $file,
            'entry' => $entry,
            'house' => $this->house,
            'day' => $day,
            'items' => $entry->customer_id === null || $entry->kind !== BankEntryKind::In
                    ? null
                    : AccountItems::open($entry->customer_id, ItemKind::Charge, $this->house, $day),
            'twins' => Twins::of(collect([$entry]))[$entry->id] ?? [],
            'proposals' => $entry->kind === BankEntryKind::Returned && $entry->state === 'open'
                    ? ReturnedTransfer::proposals($entry)
                    : [],
            'fee' => $this->house->shop()->returned_payment_fee,
            'lodgements' => $entry->isPayment() ? $meet->proposals($entry) : [],
        ]);
    }

    /** It is no payment: the bank credits what was paid in, or what the acquirer paid out. */
    public function meet(
        Request $request,
        BankFile $file,
        BankEntry $entry,
        MeetLodgement $meet,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $this->assertOf($file, $entry);
        $lodgement = Lodgement::query()->with(['document', 'credits'])->findOrFail($request->integer('lodgement'));
        $document = $meet->handle($entry, $lodgement, $this->atTill->till(), $by);
        $left = $lodgement->load('credits')->onTheWay();
        $label = Document::query()->whereKey($document)->value('label');

        return redirect()
            ->to(route('bank.file', $file->id)."#entry-{$entry->id}")
            ->with('done', "{$label} posts the credit of {$lodgement->document->label}."
                .($left->isZero() ? '' : " {$left->toString()} of it is still on its way: see Safe and bank."));
    }

    /** Says whom a payment is from where that was not found, or found wrong. */
    public function assign(Request $request, BankFile $file, BankEntry $entry, CustomerSearch $search): RedirectResponse
    {
        $typed = $request->string('customer')->trim()->value();
        $customer = $typed === ''
                ? null
                : $search->one($typed)
                    ?? throw Refused::because(
                        'not_found',
                        "“{$typed}” names no account, or more than one. Type its number.",
                    );

        if ($customer !== null && ! HouseAccount::query()->whereKey($customer->id)->exists()) {
            throw Refused::because('not_an_account', "{$customer->name} has no house account.");
        }

        $isTheSame = $customer?->id === $entry->customer_id;
        $this->change($file, $entry, [
            'customer_id' => $customer?->id,
            'sure' => $customer !== null,
            ...$isTheSame
                ? []
                : [
                    'shares' => null,
                    'discount' => 0,
                    'evidence' => json_encode(
                        ['for' => $customer === null ? [] : ['chosen by hand'], 'against' => []],
                        JSON_THROW_ON_ERROR,
                    ),
                ],
        ]);

        return $request->boolean('stay')
            ? redirect()->route('bank.entry', [$file->id, $entry->id])
            : redirect()->to(route('bank.file', $file->id)."#entry-{$entry->id}");
    }

    /** Says what a payment pays, by hand. */
    public function spread(Request $request, BankFile $file, BankEntry $entry): RedirectResponse
    {
        $this->assertOf($file, $entry);
        $customer = $entry->customer_id ?? throw Refused::because('not_found', 'Say first whose payment it is.');
        $items = AccountItems::open(
            $customer,
            ItemKind::Charge,
            $this->house,
            BankDay::of($entry->booked_on, $this->atTill->till()->location),
        );
        $byHand = [];

        foreach ($request->array('on') as $label => $typed) {
            $amount = is_string($typed) && trim($typed) !== '' ? $this->house->typedMoney($typed) : null;
            $amount === null || $amount->isZero() || ($byHand[(string) $label] = $amount);
        }

        $oldest = $request->input('how') === 'oldest';
        $spread = $items->spread($entry->amount, $oldest ? null : $byHand);
        $this->change($file, $entry, [
            'sure' => true,
            'discount' => $oldest ? 0 : $spread->discount(),
            'evidence' => json_encode(['for' => ['spread by hand'], 'against' => []], JSON_THROW_ON_ERROR),
            'shares' => $oldest
                ? null
                : MoneyByNameCast::write($byHand),
        ]);

        return redirect()->to(route('bank.file', $file->id)."#entry-{$entry->id}");
    }

    /** Leaves an entry out, and keeps why; or takes it up again. */
    public function aside(Request $request, BankFile $file, BankEntry $entry): RedirectResponse
    {
        $this->assertOf($file, $entry);
        $isAside = $entry->state === 'aside';
        $reason = $request->string('reason')->trim()->limit(255, '')->value();
        $isAside
            || $reason !== ''
            || throw Refused::because('reason_missing', 'Say why it is set aside: the reason is kept.');
        BankEntry::query()
            ->whereKey($entry->id)
            ->whereIn('state', ['open', 'aside'])
            ->update($isAside ? ['state' => 'open'] : ['state' => 'aside', 'aside_because' => $reason]);
        $file->settle();

        return redirect()->to(route('bank.file', $file->id)."#entry-{$entry->id}");
    }

    /** The bank took a payment back: what it paid is owed again. */
    public function takeBack(
        Request $request,
        BankFile $file,
        BankEntry $entry,
        ReturnPayment $return,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $this->assertOf($file, $entry);
        $paid = Document::query()
            ->with('tenders')
            ->where('label', $request->string('document')->trim()->value())
            ->first()
            ?? throw Refused::because('not_found', 'Say which payment came back: its number is on its receipt.');
        $fee = $this->house->typedMoney($request->string('fee')->value()) ?? $this->house->money(0);
        $till = $this->atTill->till();
        $document = DB::transaction(function () use ($entry, $paid, $fee, $till, $return, $by, $file): int {
            $locked = BankEntry::query()->whereKey($entry->id)->lockForUpdate()->firstOrFail();
            ($locked->state === 'open' && $locked->kind === BankEntryKind::Returned)
                || throw Refused::because('already_returned', 'This entry is dealt with already.');
            $paid->paidBy(TenderKind::BankTransfer)->equals($locked->amount)
                || throw Refused::because('other_amount', "{$paid->label} was not paid by a transfer of this amount.");
            $day = max(BankDay::of($locked->booked_on, $till->location), $paid->business_date);
            $document = $return->handle(
                $paid,
                $fee,
                mb_substr("The bank took it back: {$locked->reference}", 0, 200),
                $day,
                Uuid::uuid5(Uuid::NAMESPACE_OID, "bank-{$locked->fingerprint}")->toString(),
                $till,
                $by,
                TenderKind::BankTransfer,
            );
            $locked
                ->forceFill(['state' => 'posted', 'document_id' => $document, 'customer_id' => $paid->customer_id])
                ->save();
            $file->settle();

            return $document;
        }, 3);

        return redirect()
            ->to(route('bank.file', $file->id)."#entry-{$entry->id}")
            ->with(
                'done',
                "{$paid->label} is taken back by "
                    .Document::query()->whereKey($document)->value('label')
                    .'; what it paid is owed again.',
            );
    }

    /** @param  array<string, mixed>  $fields */
    private function change(BankFile $file, BankEntry $entry, array $fields): void
    {
        $this->assertOf($file, $entry);
        $changed = BankEntry::query()
            ->whereKey($entry->id)
            ->where('state', 'open')
            ->where('kind', BankEntryKind::In)
            ->update($fields);
        $changed === 1
            || BankEntry::query()->whereKey($entry->id)->where('state', 'open')->exists()
            || throw Refused::because('already_posted', 'This payment is posted already.');
    }

    private function assertOf(BankFile $file, BankEntry $entry): void
    {
        abort_unless($entry->bank_file_id === $file->id, 404);
    }
}
