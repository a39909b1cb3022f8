<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A payment on account in the office, with the lines it meets. */
final class PaymentController
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly PaymentWork $work,
    ) {
    }

    public function show(Request $request, Customer $customer): View
    {
        return view('accounts.payment', $this->work->of($customer, PaymentForm::from($request, $this->house)));
    }

    /** The page's parts again, for what is typed by now. */
    public function draw(Request $request, Customer $customer): Response
    {
        return response()->view(
            'accounts.parts.payment-work',
            $this->work->of($customer, PaymentForm::from($request, $this->house)),
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
                [...$this->work->of($customer, $form), 'refused' => $refused],
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
        $form->assertReadable();

        match (true) {
            $form->amount === null => throw Refused::because('bad_amount', 'Type how much came in.'),
            $page->complaint !== '' => throw Refused::because('bad_spread', $page->complaint),
            ! in_array($form->kind, PaymentForm::KINDS, true) => throw Refused::because(
                'bad_tender',
                'That is not a way of paying here.',
            ),
            default => null,
        };
    }
}
