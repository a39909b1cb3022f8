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
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Ledger\AllocationRecord;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\TypedWay;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A credit on an account: what its money is set against, laid anew, and what of it goes back to the customer. */
final class SpreadController
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly PaymentWork $work,
    ) {
    }

    /** Where a receipt's money lies, and where else it could lie. */
    public function show(Request $request, Customer $customer, Document $document): View
    {
        return view('accounts.spread', $this->data($request, $customer, $this->credit($customer, $document)));
    }

    public function draw(Request $request, Customer $customer, Document $document): Response
    {
        return response()->view(
            'accounts.parts.payment-work',
            $this->data($request, $customer, $this->credit($customer, $document)),
        );
    }

    public function store(
        Request $request,
        Customer $customer,
        Document $document,
        SpreadCredit $spread,
        #[CurrentUser] Staff $by,
    ): Response {
        $credit = $this->credit($customer, $document);
        $data = $this->data($request, $customer, $credit);
        $page = $data['page'];

        try {
            if ($page->complaint !== '') {
                throw Refused::because('bad_spread', $page->complaint);
            }

            $spread->handle($credit, $page->parts(), $page->form->reason, $page->form->key, $by, $this->atTill->till());
        } catch (Refused $refused) {
            return response()->view(
                'accounts.parts.payment-work',
                [...$this->data($request, $customer, $credit), 'refused' => $refused],
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
            TypedWay::of($request, 'way', TenderKind::Cheque),
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
    private function data(Request $request, Customer $customer, OpenItemRecord $credit): array
    {
        $standing = SpreadCredit::movable($credit->document_id);
        $items = AccountItems::asIfTakenBack($credit, $standing, $this->house);

        if (! $request->has('spread')) {
            $request->merge(['spread' => $standing->isEmpty() ? 'oldest' : 'hand', 'on' => $this->written($standing)]);
        }

        $request->merge(['amount' => $credit->amount->toString()]);
        $form = PaymentForm::from($request, $this->house);

        return [
            ...$this->work->of($customer, $form),
            'page' => PaymentPage::of($customer->id, $form, $this->house, $items, $credit->amount),
            'credit' => $credit,
            'ways' => Said::ways(Brought::ways($credit->document->loadMissing('tenders'))),
            'moves' => $standing->isNotEmpty(),
            'action' => route('accounts.spread.store', [$customer, $credit->label]),
            'draw' => route('accounts.spread.draw', [$customer, $credit->label]),
        ];
    }

    /**
     * @param  Collection<int, AllocationRecord>  $standing
     * @return array<string, string> what is on which item now
     */
    private function written(Collection $standing): array
    {
        $sums = [];

        foreach ($standing as $allocation) {
            $sums = Brought::plus($sums, [$allocation->charge->label => $allocation->amount]);
        }

        return array_map(static fn (Money $sum): string => $sum->toString(), $sums);
    }
}
