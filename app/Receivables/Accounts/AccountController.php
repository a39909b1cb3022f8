<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Receivables\Adjustments\DisputeItem;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Ageing\Call;
use Elmstone\Receivables\Ledger\PaidInTime;
use Elmstone\Receivables\Letters\Letter;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A house account: how it stands, what is open, what happened; its terms; stop and release. */
final class AccountController
{
    public function __construct(
        private readonly House $house,
        private readonly AsOf $asOf,
        private readonly Activity $activity,
    ) {
    }

    public function show(AccountRequest $request, Customer $customer, AccountLine $line): View|RedirectResponse
    {
        $account = HouseAccount::query()->where('customer_id', $customer->id)->first();

        if ($account === null) {
            return redirect()->route('customers.show', $customer);
        }

        $day = $request->asOf();
        $customer->load(['type.priceLevel', 'contacts', 'mergedInto']);
        $account->setRelation('customer', $customer);
        $items = $this->asOf->items($customer->id, $day);

        return view('accounts.show', [
            'customer' => $customer,
            'account' => $account,
            'standing' => AccountStanding::of($account, $this->house),
            'house' => $this->house,
            'day' => $day,
            'isToday' => ShopTime::isToday($day),
            'items' => $items,
            'orders' => Document::query()
                ->whereIn('id', $items->modelKeys())
                ->where('purchase_order', '<>', '')
                ->pluck('purchase_order', 'id')
                ->all(),
            'paysAfter' => PaidInTime::daysOfTheYear($customer->id, $day),
            'disputed' => DisputeItem::on($day, $customer->id),
            'ageing' => $this->asOf->age($items, $day),
            'activity' => $this->activity->rows(
                $customer->id,
                $day,
                $request->kind(),
                $request->from(),
                Activity::PAGE + 1,
                $request->skip(),
            ),
            'filters' => $request->filters(),
            'skip' => $request->skip(),
            'line' => $line->svg($account, $day),
            'calls' => Call::query()->with('staff')->where('customer_id', $customer->id)->latest('id')->limit(5)->get(),
            'letters' => Letter::query()->with('staff')->where('customer_id', $customer->id)->latest('id')->limit(3)
                ->get(),
            'changes' => CustomerChanges::of(
                $customer->id,
                5, 'limit', 'account terms', 'account opened', 'put on stop', 'released', 'merged',
                'account closed', 'review of its terms', 'head office',
            ),
        ]);
    }

    public function csv(AccountRequest $request, Customer $customer): StreamedResponse
    {
        $rows = array_reverse(
            $this->activity->rows($customer->id, $request->asOf(), $request->kind(), $request->from(), 100_000),
        );

        return Csv::download(
            "account-{$customer->number}.csv",
            [
                'date', 'number', 'what', 'due', 'purchase order', 'job', 'charged', 'credited', 'open now', 'balance',
                'currency',
            ],
            (static function () use ($rows): iterable {
                foreach ($rows as $row) {
                    $document = $row->item->document;
                    yield [
                        $row->item->business_date->format('Y-m-d'),
                        $row->item->label,
                        $document->title(),
                        $row->item->due_date->format('Y-m-d'),
                        $document->purchase_order,
                        $document->job,
                        $row->moved->isPositive() ? $row->moved->toString() : '',
                        $row->moved->isNegative() ? $row->moved->negated()->toString() : '',
                        $row->item->signedOpen()->toString(),
                        $row->balance->toString(),
                        $document->currency,
                    ];
                }
            })(),
        );
    }

    public function terms(Customer $customer): View
    {
        $account = HouseAccount::query()->where('customer_id', $customer->id)->first();

        return view('accounts.terms', [
            'customer' => $customer,
            'account' => $account,
            'headNumber' => $account?->head_id === $customer->id
                ? null
                : Customer::query()->whereKey($account?->head_id)->value('number'),
            'house' => $this->house,
        ]);
    }

    public function save(
        AccountTermsRequest $request,
        Customer $customer,
        ManageAccount $manage,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $manage->save(
            $customer,
            $request->terms(),
            $request->string('reason')->value(),
            $by,
            $request->filled('version') ? $request->integer('version') : null,
        );

        return redirect()
            ->route('accounts.show', $customer)
            ->with('done', 'Saved. New terms hold for what is charged from now on.');
    }

    public function stop(
        Request $request,
        Customer $customer,
        ManageAccount $manage,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $manage->stop($customer->id, $request->string('reason')->value(), $by);

        return redirect()
            ->route('accounts.show', $customer)
            ->with('done', 'The account is on stop: nothing can be charged to it.');
    }

    public function release(
        Request $request,
        Customer $customer,
        ManageAccount $manage,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $manage->release($customer->id, $request->string('reason')->value(), $by);

        return redirect()->route('accounts.show', $customer)->with('done', 'The account is released.');
    }

    /** What will be, before two are made one. */
    public function mergePreview(Request $request, Customer $customer, House $house): View
    {
        $into = Customer::query()->where('number', $request->integer('into'))->first()
            ?? throw Refused::because('not_found', "There is no customer {$request->string('into')}.");
        $into->id !== $customer->id || throw Refused::because('same', 'That is the same customer.');
        $customer->isMerged() || $into->isMerged()
            ? throw Refused::because('merged', 'One of the two was merged already.')
            : null;
        $accounts = HouseAccount::query()
            ->whereIn('customer_id', [$customer->id, $into->id])
            ->get()
            ->keyBy('customer_id');
        $from = $accounts->get($customer->id);

        return view('accounts.merge', [
            'customer' => $customer,
            'into' => $into,
            'house' => $house,
            'from' => $from,
            'to' => $accounts->get($into->id),
            'will' => $from === null ? null : MergeCustomers::stricter($from, $accounts->get($into->id)),
            'documents' => Document::query()->where('customer_id', $customer->id)->count(),
        ]);
    }

    public function merge(
        Request $request,
        Customer $customer,
        MergeCustomers $merge,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $into = Customer::query()->where('number', $request->integer('into'))->first()
            ?? throw Refused::because('not_found', "There is no customer {$request->string('into')}.");
        $merge->handle($customer, $into, $by);

        return redirect()
            ->route('customers.show', $into)
            ->with('done', "{$customer->name} is now one with {$into->name}.");
    }
}
