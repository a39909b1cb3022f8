<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** What is done with an item of an account besides paying it; an account that is closed, or looked at again. */
final class AdjustmentController
{
    public function __construct(private readonly AtTill $atTill, private readonly House $house)
    {
    }

    public function show(Customer $customer, Document $document): View
    {
        $item = $this->item($customer, $document);

        return view('accounts.item', [
            'customer' => $customer,
            'item' => $item,
            'document' => $document,
            'disputed' => DisputeItem::on(ShopTime::today(), $customer->id)[$item->document_id] ?? null,
            'owedAgain' => $document->purpose === Purpose::BadDebt,
            'house' => $this->house,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    private function item(Customer $customer, Document $document): OpenItemRecord
    {
        return OpenItemRecord::query()
            ->where('customer_id', $customer->id)
            ->where('document_id', $document->id)
            ->firstOrFail();
    }

    public function writeOff(
        AdjustmentRequest $request,
        Customer $customer,
        Document $document,
        WriteOffDebt $writeOff,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $posted = $request->saidAtItsField(fn (): int => $writeOff->handle(
            $customer->id, $document->id, $request->amount($this->house), $request->reason(), $request->key(),
            $this->atTill->till(), $by, $check->given($request),
        ));

        return $this->back($customer, "{$document->label} is written off by ".self::label($posted).'.');
    }

    public function owedAgain(
        AdjustmentRequest $request,
        Customer $customer,
        Document $document,
        WriteOffDebt $writeOff,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $posted = $writeOff->owedAgain($document, $request->key(), $this->atTill->till(), $by);

        return $this->back($customer, 'It is owed again, by '.self::label($posted).': now post what was paid.');
    }

    public function move(
        AdjustmentRequest $request,
        Customer $customer,
        Document $document,
        MoveItem $move,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $to = Customer::query()->where('number', $request->integer('to'))->first();
        $posted = $request->saidAtItsField(fn (): int => $move->handle(
            $customer->id,
            $document->id,
            $to->id ?? throw Refused::because('no_customer', 'No customer has this number.'),
            $request->reason(),
            $request->key(),
            $this->atTill->till(),
            $by,
        ));

        return $this->back($customer, "What was open of {$document->label} is on {$to?->name}’s account, as "
            .self::label($posted).'.');
    }

    public function dispute(
        AdjustmentRequest $request,
        Customer $customer,
        Document $document,
        DisputeItem $dispute,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->saidAtItsField(static fn () => $dispute->begin(
            $customer->id, $document->id, $request->reason(), $by,
        ));

        return $this->back($customer, "{$document->label} is disputed: no charge and no call is about it.");
    }

    public function settled(
        AdjustmentRequest $request,
        Customer $customer,
        Document $document,
        DisputeItem $dispute,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $dispute->end($customer->id, $document->id, $request->reason(), $by);

        return $this->back($customer, "{$document->label} is not disputed any more.");
    }

    public function close(
        AdjustmentRequest $request,
        Customer $customer,
        CloseAccount $close,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $close->handle($customer->id, $request->reason(), $by);

        return $this->back($customer, 'The account is closed.');
    }

    /** When its terms are looked at again; nothing: never. */
    public function review(Request $request, Customer $customer, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->validate(['review_on' => ['nullable', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01']]);
        $account = HouseAccount::query()->findOrFail($customer->id);
        $before = $account->review_on?->format('Y-m-d') ?? '';
        $day = $request->filled('review_on')
            ? CarbonImmutable::createFromFormat('!Y-m-d', $request->string('review_on')->value())
            : null;
        $account->update(['review_on' => $day]);
        CustomerChanges::record(
            $customer->id, $by, 'review of its terms', $before, $day?->format('Y-m-d') ?? '', '',
        );

        return redirect()->route('accounts.terms', $customer)->with('done', 'Kept.');
    }

    private function back(Customer $customer, string $done): RedirectResponse
    {
        return redirect()->route('accounts.show', $customer)->with('done', $done);
    }

    private static function label(int $document): string
    {
        return Document::query()->findOrFail($document)->label;
    }
}
