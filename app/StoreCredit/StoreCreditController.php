<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Carbon\CarbonImmutable;
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
use stdClass;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Store credit: what is owed as of a day, and each customer's with its history. */
final class StoreCreditController
{
    public function __construct(private readonly House $house)
    {
    }

    public function index(AsOfRequest $request): View
    {
        $day = $request->day();

        return view('store-credit.index', ['rows' => self::owed($day), 'day' => $day, 'house' => $this->house]);
    }

    public function csv(AsOfRequest $request): StreamedResponse
    {
        $day = $request->day();

        return Csv::download(
            "store-credit-{$day->format('Y-m-d')}.csv",
            ['customer', 'name', 'store credit', 'currency', 'as of'],
            (function () use ($day): iterable {
                foreach (self::owed($day) as $row) {
                    yield [
                        (string) $row->number,
                        (string) $row->name,
                        $this->house->money((int) $row->owed)->toString(),
                        $this->house->currency()->code,
                        $day->format('Y-m-d'),
                    ];
                }
            })(),
        );
    }

    public function show(Customer $customer): View
    {
        return view('store-credit.show', [
            'customer' => $customer,
            'held' => (int) StoreCreditAccount::query()->whereKey($customer->id)->value('held'),
            'entries' => DB::table('store_credit_entries as e')
                ->join('documents as d', 'd.id', '=', 'e.document_id')
                ->where('e.customer_id', $customer->id)
                ->orderByDesc('e.id')
                ->limit(300)
                ->get(['e.*', 'd.label', 'd.kind', 'd.note']),
            'house' => $this->house,
            'ways' => Said::WAYS,
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function payOut(
        Request $request,
        Customer $customer,
        PayOutStoreCredit $payOut,
        AtTill $atTill,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(['key' => ['required', 'uuid']]);
        $refund = $payOut->handle(
            $customer,
            $this->house->typedMoney($request->string('amount')->value()) ?? $this->house->money(0),
            TenderKind::tryFrom($request->string('way')->value()) ?? TenderKind::Cash,
            $request->string('reference')->trim()->value(),
            $request->string('reason')->trim()->value(),
            $request->string('key')->value(),
            $atTill->till(),
            $by,
            $check->given($request),
        );

        return redirect()->route('store-credit.show', $customer)->with('done', 'The store credit is paid out.');
    }

    /** @return list<stdClass> by name, those with nothing left out */
    private static function owed(CarbonImmutable $day): array
    {
        return array_values(
            DB::select(
                'SELECT c.number, c.name, SUM(e.amount) AS owed FROM store_credit_entries e JOIN customers c ON c.id '
                    .'= e.customer_id WHERE e.business_date <= ? GROUP BY c.id, c.number, c.name HAVING owed <> 0 '
                    .'ORDER BY c.name, c.id',
                [$day->format('Y-m-d')],
            ),
        );
    }
}
