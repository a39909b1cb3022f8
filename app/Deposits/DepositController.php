<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
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
use Illuminate\Support\Facades\DB;
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
            'liability' => Liability::on($request->day()),
            'day' => $request->day(),
            'house' => $this->house,
        ]);
    }

    public function csv(AsOfRequest $request): StreamedResponse
    {
        $day = $request->day();

        return Csv::download(
            "held-{$day->format('Y-m-d')}.csv",
            ['customer', 'name', 'deposits', 'layaway money', 'currency', 'as of'],
            (function () use ($day): iterable {
                foreach (Liability::on($day)->customers as $row) {
                    yield [
                        (string) $row->number,
                        $row->name,
                        $this->house->money($row->deposits)->toString(),
                        $this->house->money($row->layaways)->toString(),
                        $this->house->currency()->code,
                        $day->format('Y-m-d'),
                    ];
                }
            })(),
        );
    }

    public function show(Customer $customer): View
    {
        return view('deposits.show', [
            'customer' => $customer,
            'held' => DepositsHeld::of($customer->id),
            'entries' => DB::table('deposit_entries as e')
                ->join('documents as d', 'd.id', '=', 'e.document_id')
                ->where('e.customer_id', $customer->id)
                ->orderByDesc('e.id')
                ->limit(300)
                ->get(['e.*', 'd.label', 'd.purpose', 'd.kind', 'd.note']),
            'house' => $this->house,
            'ways' => Said::ways($this->money->of($customer->id)),
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function payBack(
        Request $request,
        Customer $customer,
        PayBackDeposit $payBack,
        AtTill $atTill,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $from = $request->string('from')->value();
        $refund = $payBack->handle(
            $customer,
            $this->house->typedMoney($request->string('amount')->value()) ?? $this->house->money(0),
            $from === '' ? null : $from,
            TenderKind::tryFrom($request->string('way')->value()) ?? TenderKind::Cash,
            $request->string('reference')->trim()->value(),
            $request->string('reason')->trim()->value(),
            $request->string('key')->value(),
            $atTill->till(),
            $by,
            $check->given($request),
        );

        return redirect()->route('deposits.show', $customer)->with('done', 'The deposit is paid back.');
    }
}
