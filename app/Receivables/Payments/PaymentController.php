<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\MoneyOut\Brought;
use Elmstone\MoneyOut\Said;
use Elmstone\Receivables\Accounts\AccountFound;
use Elmstone\Receivables\Accounts\AccountStanding;
use Elmstone\Receivables\Accounts\FindAccounts;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Ledger\AllocationRecord;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Payments on account in the office: one with its meeting lines, and one that comes back. */
final class PaymentController
{
    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    public function show(Request $request, Customer $customer): View
    {
        return view('accounts.payment', $this->data($customer, PaymentForm::from($request, $this->house)));
    }

    /** The page's parts again, for what is typed by now. */
    public function draw(Request $request, Customer $customer): Response
    {
        return response()->view(
            'accounts.parts.payment-work',
            $this->data($customer, PaymentForm::from($request, $this->house)),
        );
    }

    public function store(Request $request, Customer $customer, TakePayment $take, #[CurrentUser] Staff $by): Response
    {
        $form = PaymentForm::from($request, $this->house);
        $page = PaymentPage::of($customer->id, $form, $this->house);

        try {
            $this->assertFine($form, $page);
            $receipt = $take->handle(
                new PaymentOrder(
                    $customer->id,
                    $form->amount ?? $this->house->money(0),
                    $form->kind,
                    $form->reference,
                    $form->day,
                    $form->key,
                    $form->spread === 'oldest' ? null : $page->parts(),
                    $form->sure,
                    leavesDiscount: $form->leavesDiscount,
                    takenAllTheSame: $form->takenAllTheSame,
                ),
                $this->atTill->till(),
                $by,
            );
        } catch (Refused $refused) {
            return response()->view(
                'accounts.parts.payment-work',
                [...$this->data($customer, $form), 'refused' => $refused],
                422,
            );
        }

        $label = Document::query()->findOrFail($receipt)->label;

        return response('', 200, ['X-Location' => route('accounts.show', $customer)])->withCookie(
            cookie('posted', $label, 1),
        );
    }

    private function assertFine(PaymentForm $form, PaymentPage $page): void
    {
        match (true) {
            $form->complaint !== '' => throw Refused::because('bad_amount', $form->complaint),
            $form->amount === null => throw Refused::because('bad_amount', 'Type how much came in.'),
            $page->complaint !== '' => throw Refused::because('bad_spread', $page->complaint),
            ! in_array($form->kind, PaymentForm::KINDS, true) => throw Refused::because(
                'bad_tender',
                'That is not a way of paying here.',
            ),
            default => null,
        };
    }

    /** Where a receipt's money lies, and where else it could lie. */
    public function spread(Request $request, Customer $customer, Document $document): View|RedirectResponse
    {
        return view('accounts.spread', $this->spreadData($request, $customer, $this->credit($customer, $document)));
    }

    public function drawSpread(Request $request, Customer $customer, Document $document): Response
    {
        return response()->view(
            'accounts.parts.payment-work',
            $this->spreadData($request, $customer, $this->credit($customer, $document)),
        );
    }

    public function storeSpread(
        Request $request,
        Customer $customer,
        Document $document,
        SpreadCredit $spread,
        #[CurrentUser] Staff $by,
    ): Response {
        $credit = $this->credit($customer, $document);
        $data = $this->spreadData($request, $customer, $credit);
        $page = $data['page'];

        try {
            if ($page->complaint !== '') {
                throw Refused::because('bad_spread', $page->complaint);
            }

            $spread->handle($credit, $page->parts(), $page->form->reason, $page->form->key, $by, $this->atTill->till());
        } catch (Refused $refused) {
            return response()->view(
                'accounts.parts.payment-work',
                [...$this->spreadData($request, $customer, $credit), 'refused' => $refused],
                422,
            );
        }

        return response('', 200, ['X-Location' => route('accounts.show', $customer)]);
    }

    /** What of a credit is not used goes back to the customer. */
    public function payOut(
        Request $request,
        Customer $customer,
        Document $document,
        PayOutCredit $payOut,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $refund = $payOut->handle(
            $customer,
            $document->id,
            $this->house->typedMoney($request->string('amount')->value()) ?? $this->house->money(0),
            TenderKind::tryFrom($request->string('way')->value()) ?? TenderKind::Cheque,
            $request->string('reference')->trim()->value(),
            $request->string('reason')->trim()->value(),
            $request->string('key')->value(),
            $this->atTill->till(),
            $by,
            $check->given($request),
        );

        return redirect()
            ->route('documents.show', Document::query()->findOrFail($refund))
            ->with('done', 'The credit is paid out.');
    }

    private function credit(Customer $customer, Document $document): OpenItemRecord
    {
        return OpenItemRecord::query()
            ->where('customer_id', $customer->id)
            ->where('kind', ItemKind::Credit)
            ->findOrFail($document->id);
    }

    /** @return array<string, mixed> */
    private function data(Customer $customer, PaymentForm $form): array
    {
        $account = HouseAccount::query()->where('customer_id', $customer->id)->first()
            ?? throw Refused::because('not_an_account', 'This customer has no house account. Open one first.');

        return [
            'customer' => $customer,
            'house' => $this->house,
            'standing' => AccountStanding::of($account, $this->house),
            'page' => PaymentPage::of($customer->id, $form, $this->house),
            'form' => $form,
            'refused' => null,
            'credit' => null,
            'action' => route('accounts.payment.store', $customer),
            'draw' => route('accounts.payment.draw', $customer),
        ];
    }

    /** @return array<string, mixed> */
    private function spreadData(Request $request, Customer $customer, OpenItemRecord $credit): array
    {
        $standing = SpreadCredit::movable($credit->document_id);
        $items = AccountItems::asIfTakenBack($credit, $standing, $this->house);

        if (! $request->has('spread')) {
            $request->merge(['spread' => $standing->isEmpty() ? 'oldest' : 'hand', 'on' => $this->written($standing)]);
        }

        $request->merge(['amount' => $credit->amount->toString()]);
        $form = PaymentForm::from($request, $this->house);

        return [
            ...$this->data($customer, $form),
            'page' => PaymentPage::of($customer->id, $form, $this->house, $items, $credit->amount),
            'credit' => $credit,
            'ways' => Said::ways(Brought::ways($credit->document->loadMissing('tenders'))),
            'moves' => $standing->isNotEmpty(),
            'action' => route('accounts.spread.store', [$customer, $credit->label]),
            'draw' => route('accounts.spread.draw', [$customer, $credit->label]),
        ];
    }

    /**
     * @param  \Illuminate\Database\Eloquent\Collection<int, AllocationRecord>  $standing
     * @return array<string, string> what is on which item now
     */
    private function written(\Illuminate\Database\Eloquent\Collection $standing): array
    {
        $sums = [];

        foreach ($standing as $allocation) {
            $sums = Brought::plus($sums, [$allocation->charge->label => $allocation->amount]);
        }

        return array_map(static fn (Money $sum): string => $sum->toString(), $sums);
    }

    /** A stack of cheques: one line each, posted as it is entered. */
    public function sheet(): View
    {
        return view('accounts.cheques', $this->sheetData());
    }

    public function sheetFind(Request $request, FindAccounts $find): View
    {
        $typed = $request->string('q')->trim()->value();

        return view('accounts.parts.cheque-found', [
            'found' => array_values(
                array_filter(
                    $typed === '' ? [] : $find->find($typed, 8),
                    static fn (AccountFound $found): bool => $found->balance !== null,
                ),
            ),
        ]);
    }

    public function sheetStore(
        Request $request,
        TakePayment $take,
        FindAccounts $find,
        #[CurrentUser] Staff $by,
    ): Response {
        $form = PaymentForm::from($request, $this->house);
        $posted = null;

        try {
            $named = array_values(
                array_filter(
                    $find->find($request->string('customer')->value(), 2),
                    static fn (AccountFound $found): bool => $found->balance !== null,
                ),
            );
            $exact = array_values(
                array_filter(
                    $named,
                    static fn (AccountFound $found): bool => (string) $found->customer->number
                        === trim($request->string('customer')->value()),
                ),
            );
            $customer = $exact[0]
                ?? (count($named) === 1
                    ? $named[0]
                    : throw Refused::because(
                        'not_found',
                        $named === []
                            ? 'No house account is found by that.'
                            : 'More than one account is found by that; type its number.',
                    ));

            if ($form->amount === null) {
                throw Refused::because(
                    'bad_amount',
                    $form->complaint === '' ? 'Type how much it is.' : $form->complaint,
                );
            }

            $posted = $take->handle(
                new PaymentOrder(
                    $customer->customer->id,
                    $form->amount,
                    $form->kind === TenderKind::BankTransfer ? $form->kind : TenderKind::Cheque,
                    $form->reference,
                    $form->day,
                    $form->key,
                    sureItIsAnother: $form->sure,
                    takenAllTheSame: $form->takenAllTheSame,
                ),
                $this->atTill->till(),
                $by,
            );
        } catch (Refused $refused) {
            return response()->view(
                'accounts.parts.cheque-rows',
                [
                    ...$this->sheetData(),
                    'refused' => $refused,
                    'typed' => $request->only(['customer', 'amount', 'reference', 'kind']),
                    'key' => $form->key,
                    'day' => $form->day->format('Y-m-d'),
                ],
                422,
            );
        }

        return response()->view('accounts.parts.cheque-rows', [
            ...$this->sheetData(),
            'fresh' => $posted,
            'day' => $form->day->format('Y-m-d'),
            'typed' => $request->only(['kind']),
        ]);
    }

    /** @return array<string, mixed> */
    private function sheetData(): array
    {
        // All that was entered today, whatever day it is dated; the sums are of all, the list of the latest.
        $entered = Document::query()
            ->where('purpose', 'payment')
            ->where('posted_at', '>=', ShopTime::beginning(ShopTime::today()))
            ->whereHas(
                'tenders',
                static fn ($tenders) => $tenders->whereIn('kind', [TenderKind::Cheque, TenderKind::BankTransfer]),
            );
        $today = (clone $entered)->with('tenders')->latest('id')->limit(60)->get();

        return [
            'posted' => $today,
            'count' => (clone $entered)->count(),
            'sum' => Show::money($this->house->money((int) $entered->sum('total'))),
            'house' => $this->house,
            'refused' => null,
            'typed' => [],
            'fresh' => null,
            'key' => (string) Str::uuid(),
            'day' => ShopTime::today()->format('Y-m-d'),
            'unused' => OpenItemRecord::query()
                ->whereIn('document_id', $today->modelKeys())
                ->pluck('open', 'document_id')
                ->all(),
            'numbers' => Customer::query()->whereIn('id', $today->pluck('customer_id'))->pluck('number', 'id')->all(),
        ];
    }
}
