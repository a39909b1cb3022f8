<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Books\Document;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Catalogue\Department;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Parts\Back\GiveCredit;
use Elmstone\Counter\Slip\Act;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Returns\ReturnReason;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxClass;
use Elmstone\Staff\Approvals\ApprovalAsk;
use Elmstone\Staff\Approvals\CheckApproval;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** Credit notes without goods, on an invoice or free. */
final class CreditNoteController
{
    public function __construct(
        private readonly CounterPage $page,
        private readonly House $house,
        private readonly GiveCredit $give,
        private readonly CheckApproval $check,
    ) {
    }

    public function onInvoice(Document $document): View
    {
        $document->load('lines');
        $origins = Origins::of($this->house->currency(), [$document->id]);
        $left = [];

        foreach ($document->lines as $line) {
            $returnable = $origins->returnable(new Origin($document->id, $line->position));
            $left[$line->position] = $document->tax_included
                ? $returnable->netLeft()
                : Money::sum(
                    [$returnable->netLeft(), ...array_values($returnable->taxLeft())],
                    $this->house->currency(),
                );
        }

        return view('returns.credit-note', [
            ...$this->shared($document->customer_id),
            'document' => $document,
            'left' => $left,
            'customer' => $document->customer_id === null ? null : Customer::query()->find($document->customer_id),
        ]);
    }

    public function storeOnInvoice(Request $request, Document $document): RedirectResponse
    {
        $amounts = [];

        foreach ($document->load('lines')->lines as $line) {
            $amounts[$line->position] = $this->house->typedMoney($request->string("amounts.{$line->position}")->value())
                ?? $this->house->money(0);
        }

        $reason = ReturnReason::tryFrom($request->string('why')->value())
            ?? throw Refused::because('reason_missing', 'Choose why it is credited.');

        return $this->given(
            $this->give->onInvoice(
                $this->key($request),
                $this->act($request),
                $document,
                $amounts,
                $reason,
                $request->string('note')->trim()->value(),
                $this->way($request),
                $request->boolean('oldest'),
            ),
        );
    }

    public function free(Customer $customer): View
    {
        return view('returns.credit-note', [
            ...$this->shared($customer->id),
            'document' => null,
            'left' => [],
            'customer' => $customer,
        ]);
    }

    public function storeFree(Request $request, Customer $customer): RedirectResponse
    {
        $department = $request->filled('department_id') ? $request->integer('department_id') : null;

        return $this->given(
            $this->give->free(
                $this->key($request),
                $this->act($request),
                $customer,
                $this->house->typedMoney($request->string('amount')->value()) ?? $this->house->money(0),
                $department,
                $request->filled('tax_class') ? $request->string('tax_class')->value() : null,
                $request->string('note')->trim()->value(),
                $this->way($request),
                $request->boolean('oldest'),
            ),
        );
    }

    /** @return array<string, mixed> */
    private function shared(?int $customer): array
    {
        return [
            'house' => $this->house,
            'departments' => Department::query()->orderBy('name')->get(),
            'classes' => TaxClass::query()->orderBy('code')->pluck('code')->all(),
            'hasAccount' => $customer !== null && HouseAccount::query()->whereKey($customer)->exists(),
            'key' => old('key', (string) Str::uuid()),
            'reasons' => [ReturnReason::PriceWrong, ReturnReason::Goodwill, ReturnReason::Faulty],
        ];
    }

    private function act(Request $request): Act
    {
        $ask = ApprovalAsk::from($request)
            ?? throw Refused::because('approval_missing', 'Type the approver’s staff number, PIN and the reason.');

        return $this->page->act($request)->with($this->check->handle($ask));
    }

    private function way(Request $request): TenderKind
    {
        $way = TenderKind::tryFrom($request->string('way')->value());

        return in_array($way, [TenderKind::HouseAccount, TenderKind::StoreCredit, TenderKind::GiftCard], true)
            ? $way
            : throw Refused::because('way_missing', 'Choose where the credit goes.');
    }

    private function key(Request $request): string
    {
        $key = $request->string('key')->value();

        return Str::isUuid($key) ? $key : (string) Str::uuid();
    }

    private function given(int $document): RedirectResponse
    {
        return redirect()
            ->route('documents.show', Document::query()->findOrFail($document))
            ->with('done', 'The credit note is posted.');
    }
}
