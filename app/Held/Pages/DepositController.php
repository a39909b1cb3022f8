<?php

declare(strict_types=1);

namespace Elmstone\Held\Pages;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldFor;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Held\Ledger\Liability;
use Elmstone\Held\PayOut\DepositMoney;
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

/** Deposits held: the liability as of a day, and each customer's with its history. */
final class DepositController
{
    public function __construct(private readonly House $house, private readonly DepositMoney $money)
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
        $liability = Liability::on($day, HeldKind::Deposit, HeldKind::Layaway, HeldKind::Order);
        $total = fn (HeldKind ...$kinds): Money => Money::sum(
            array_map($liability->total(...), $kinds),
            $this->house->currency(),
        );
        $held = fn (HeldKind ...$kinds): Closure => fn (HeldFor $row): Money => $row->sum(
            $this->house->currency(),
            ...$kinds,
        );
        $column = static fn (string $head, string $csv, HeldKind ...$kinds): Column => Column::money(
            $head, $csv, $held(...$kinds),
        )
            ->blankAtZero()
            ->totalling($total(...$kinds));

        return Report::of(
            'Money held',
            $liability->customers,
            [
                ...HeldPage::customer('deposits.show'),
                $column('Deposits', 'deposits', HeldKind::Deposit),
                $column('On layaways', 'layaway money', HeldKind::Layaway),
                $column('On orders', 'order deposits', HeldKind::Order),
                $column('In all', '', HeldKind::Deposit, HeldKind::Layaway, HeldKind::Order)
                    ->toned(static fn (): string => 'fw-bold'),
                ...HeldPage::alike($this->house, $day),
            ],
        )
            ->about(HeldPage::about('what the shop owes its customers in goods', $this->house, $day))
            ->counting(count($liability->customers), 'customer', 'customers')
            ->orElse('Nothing was held on that day.')
            ->savedAs("held-{$day->format('Y-m-d')}", 'deposits.csv')
            ->asOf($day);
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
