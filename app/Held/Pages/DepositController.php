<?php

declare(strict_types=1);

namespace Elmstone\Held\Pages;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Held\Ledger\Liability;
use Elmstone\Held\PayOut\DepositMoney;
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

/** Deposits held: the liability as of a day, and each customer's with its history. */
final class DepositController
{
    public function __construct(private readonly House $house, private readonly DepositMoney $money)
    {
    }

    public function index(AsOfRequest $request): View
    {
        return view('deposits.index', [
            'liability' => Liability::on($request->day(), HeldKind::Deposit, HeldKind::Layaway),
            'day' => $request->day(),
            'house' => $this->house,
        ]);
    }

    public function csv(AsOfRequest $request): StreamedResponse
    {
        $day = $request->day();
        $written = fn (?Money $amount): string => ($amount ?? $this->house->money(0))->toString();

        return Csv::download(
            "held-{$day->format('Y-m-d')}.csv",
            ['customer', 'name', 'deposits', 'layaway money', 'currency', 'as of'],
            (function () use ($day, $written): iterable {
                foreach (Liability::on($day, HeldKind::Deposit, HeldKind::Layaway)->customers as $row) {
                    yield [
                        (string) $row->number,
                        $row->name,
                        $written($row->of(HeldKind::Deposit)),
                        $written($row->of(HeldKind::Layaway)),
                        $this->house->currency()->code,
                        $day->format('Y-m-d'),
                    ];
                }
            })(),
        );
    }

    public function show(Customer $customer): View
    {
        $account = HeldAccount::of(HeldKind::Deposit, $customer->id);

        return view('deposits.show', [
            'customer' => $customer,
            'held' => KeptFor::of($account),
            'entries' => HeldPage::entries($account),
            'house' => $this->house,
            'ways' => Said::ways($this->money->of($customer->id)),
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function payBack(
        Request $request,
        Customer $customer,
        PayOutHeld $payOut,
        AtTill $atTill,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $payOut->handle(HeldPage::order(HeldKind::Deposit, $customer, $request, $check), $atTill->till(), $by);

        return redirect()->route('deposits.show', $customer)->with('done', 'The deposit is paid back.');
    }
}
