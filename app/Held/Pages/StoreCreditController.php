<?php

declare(strict_types=1);

namespace Elmstone\Held\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldFor;
use Elmstone\Held\Ledger\Liability;
use Elmstone\Held\PayOut\PayOutHeld;
use Elmstone\MoneyOut\Said;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Http\AsOfRequest;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
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
        return $this->report($request->day())->page();
    }

    public function csv(AsOfRequest $request): StreamedResponse
    {
        return $this->report($request->day())->csv();
    }

    /** @return Report<HeldFor> */
    private function report(CarbonImmutable $day): Report
    {
        $liability = Liability::on($day, HeldKind::StoreCredit);
        $owed = fn (HeldFor $row): Money => $row->sum($this->house->currency(), HeldKind::StoreCredit);

        return Report::of(
            'Store credit',
            $liability->customers,
            [
                ...HeldPage::customer('store-credit.show'),
                Column::money('Store credit', 'store credit', $owed)
                    ->totalling($liability->total(HeldKind::StoreCredit)),
                ...HeldPage::alike($this->house, $day),
            ],
        )
            ->about(HeldPage::about('owed to customers in goods', $this->house, $day))
            ->counting(count($liability->customers), 'customer', 'customers')
            ->orElse('No store credit was owed on that day.')
            ->savedAs("store-credit-{$day->format('Y-m-d')}", 'store-credit.csv')
            ->asOf($day);
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
