<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * A payment that came back from the bank, and a receipt that was wrong: both taken back from the document's own page.
 */
final class TakenBackController
{
    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    /** The cheque bounced, or the bank or the card's issuer took it back. */
    public function bounce(
        Request $request,
        Document $document,
        ReturnPayment $return,
        SaveCustomer $save,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $form = PaymentForm::from($request, $this->house);
        $form->assertReadable();
        $fee = $this->house->typedMoney($request->string('fee')->value()) ?? $this->house->money(0);
        $owes = $document->customer_id === null
                ? $this->whoOwes($request->string('owes')->trim()->value(), $save, $by)
                : null;
        $return->handle(
            $document->load('tenders'),
            $fee,
            $request->string('reason')->value(),
            $form->day,
            $form->key,
            $this->atTill->till(),
            $by,
            TenderKind::tryFrom($request->string('which')->value()),
            $owes,
        );

        return redirect()
            ->route('documents.show', $document)
            ->with('done', "{$document->label} is taken back; what it paid is owed again.");
    }

    /** A wrong receipt of today: its money goes back as it came. */
    public function reverse(
        Request $request,
        Document $document,
        ReverseReceipt $reverse,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $till = $this->atTill->till();
        $posted = $reverse->handle(
            $document,
            $request->string('reason')->trim()->value(),
            $till,
            $by,
            $check->given($request),
        );

        return redirect()
            ->route('documents.show', Document::query()->findOrFail($posted))
            ->with('done', "{$document->label} is taken back.");
    }

    /** A payment of an earlier day that never came. */
    public function undo(
        Request $request,
        Document $document,
        UndoPayment $undo,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $undo->handle(
            $document,
            $request->string('reason')->trim()->value(),
            $this->atTill->till(),
            $by,
            $check->given($request),
        );

        return redirect()
            ->route('documents.show', $document)
            ->with('done', "{$document->label} is undone; what it paid is owed again.");
    }

    /** By number; or of the name that was typed, where nobody has that number. */
    private function whoOwes(string $typed, SaveCustomer $save, Staff $by): ?Customer
    {
        if ($typed === '') {
            return null;
        }

        if (preg_match('/^\d+$/', $typed) === 1) {
            return Customer::query()->where('number', (int) $typed)->first()
                ?? throw Refused::because('not_found', "No customer has the number {$typed}.");
        }

        return $save
            ->handle(
                null,
                new CustomerDraft(['name' => mb_substr($typed, 0, 120), 'kind' => 'person'], sureItIsNew: true),
                $by,
            )
            ->refresh();
    }
}
