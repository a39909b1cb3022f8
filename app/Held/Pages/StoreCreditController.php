<?php

declare(strict_types=1);

namespace Elmstone\Held\Pages;

use Elmstone\Books\HeldKind;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\Liability;
use Elmstone\Held\PayOut\PayOutHeld;
use Elmstone\MoneyOut\Said;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Csv;
use Elmstone\Support\Http\AsOfRequest;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Store credit: what is owed as of a day, and each customer's with its history. */
final class StoreCreditController
{
    public function __construct(private readonly House $house)
    {
    }

    public function index(AsOfRequest $request): View
    {
        return view('store-credit.index', [
            'liability' => Liability::on($request->day(), HeldKind::StoreCredit),
            'day' => $request->day(),
            'house' => $this->house,
        ]);
    }

    public function csv(AsOfRequest $request): StreamedResponse
    {
        $day = $request->day();

        return Csv::download(
            "store-credit-{$day->format('Y-m-d')}.csv",
            ['customer', 'name', 'store credit', 'currency', 'as of'],
            (function () use ($day): iterable {
                foreach (Liability::on($day, HeldKind::StoreCredit)->customers as $row) {
                    yield [
                        (string) $row->number,
                        $row->name,
                        ($row->of(HeldKind::StoreCredit) ?? $this->house->money(0))->toString(),
                        $this->house->currency()->code,
                        $day->format('Y-m-d'),
                    ];
                }
            })(),
        );
    }

    public function show(Customer $customer): View
    {
        $account = HeldAccount::of(HeldKind::StoreCredit, $customer->id);

        return view('store-credit.show', [
            'customer' => $customer,
            'held' => $account->balance ?? $this->house->money(0),
            'entries' => HeldPage::entries($account),
            'house' => $this->house,
            'ways' => Said::WAYS,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function payOut(
        Request $request,
        Customer $customer,
        PayOutHeld $payOut,
        AtTill $atTill,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $payOut->handle(HeldPage::order(HeldKind::StoreCredit, $customer, $request, $check), $atTill->till(), $by);

        return redirect()->route('store-credit.show', $customer)->with('done', 'The store credit is paid out.');
    }
}
