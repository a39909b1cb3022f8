<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\AccountFound;
use Elmstone\Receivables\Accounts\FindAccounts;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\TypedWay;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** A stack of cheques: one line each, posted as it is entered. */
final class ChequeSheetController
{
    private const WAYS = [TenderKind::Cheque, TenderKind::BankTransfer];

    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly FindAccounts $find,
    ) {
    }

    public function show(): View
    {
        return view('accounts.cheques', $this->data());
    }

    public function find(Request $request): View
    {
        $typed = $request->string('q')->trim()->value();

        return view('accounts.parts.cheque-found', ['found' => $typed === '' ? [] : $this->accounts($typed, 8)]);
    }

    public function store(Request $request, TakePayment $take, #[CurrentUser] Staff $by): Response
    {
        $form = PaymentForm::from($request, $this->house);
        $posted = null;

        try {
            $customer = $this->named($request->string('customer')->trim()->value());

            $form->assertReadable();
            $form->amount ?? throw Refused::because('bad_amount', 'Type how much it is.');
            in_array($form->kind, self::WAYS, true) || throw TypedWay::unknown();
            $posted = $take->handle(
                new PaymentOrder(
                    $customer->id,
                    $form->amount,
                    $form->kind,
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
                    ...$this->data(),
                    'refused' => $refused,
                    'typed' => $request->only(['customer', 'amount', 'reference', 'kind']),
                    'key' => $form->key,
                    'day' => $form->day->format('Y-m-d'),
                ],
                422,
            );
        }

        return response()->view('accounts.parts.cheque-rows', [
            ...$this->data(),
            'fresh' => $posted,
            'day' => $form->day->format('Y-m-d'),
            'typed' => $request->only(['kind']),
        ]);
    }

    /** @throws Refused not_found */
    private function named(string $typed): Customer
    {
        $found = $this->accounts($typed, 2);

        foreach ($found as $account) {
            if ((string) $account->customer->number === $typed) {
                return $account->customer;
            }
        }

        return count($found) === 1 ? $found[0]->customer : throw Refused::because('not_found', $found === []
            ? 'No house account is found by that.'
            : 'More than one account is found by that; type its number.');
    }

    /** @return list<AccountFound> customers who have a house account */
    private function accounts(string $typed, int $limit): array
    {
        return array_values(array_filter(
            $this->find->find($typed, $limit),
            static fn (AccountFound $found): bool => $found->balance !== null,
        ));
    }

    /** @return array<string, mixed> */
    private function data(): array
    {
        // All that was entered today, whatever day it is dated; the sums are of all, the list of the latest.
        $entered = Document::query()
            ->where('purpose', 'payment')
            ->where('posted_at', '>=', ShopTime::beginning(ShopTime::today()))
            ->whereHas(
                'tenders',
                static fn ($tenders) => $tenders->whereIn('kind', self::WAYS),
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
