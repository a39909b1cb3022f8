<?php

declare(strict_types=1);

namespace Elmstone\Receivables\FinanceCharges;

use Elmstone\Receivables\Accounts\AccountRequest;
use Elmstone\Receivables\Accounts\ReceivablesSettingsRequest;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Finance charges, looked at before they are posted. */
final class FinanceChargeController
{
    public function __construct(private readonly ChargeForLateness $charges, private readonly House $house)
    {
    }

    public function index(AccountRequest $request): View
    {
        $shop = $this->house->shop();

        return view('accounts.finance-charges', [
            'day' => $request->asOf(),
            'rows' => $shop->finance_percent === null ? [] : $this->charges->preview($request->asOf()),
            'shop' => $shop,
            'house' => $this->house,
        ]);
    }

    /** What the shop charges for lateness and for a payment that comes back, and where customers pay to. */
    public function settings(ReceivablesSettingsRequest $request): RedirectResponse
    {
        $this->house->shop()->update($request->fields());

        return redirect()->route('finance-charges')->with('done', 'Kept. It holds from now on.');
    }

    public function post(
        Request $request,
        AccountRequest $wanted,
        AtTill $atTill,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $day = $wanted->asOf();
        $posted = 0;

        foreach ((array) $request->input('accounts', []) as $customer) {
            $posted
                += is_numeric($customer) && $this->charges->charge((int) $customer, $day, $atTill->till(), $by) ? 1 : 0;
        }

        return redirect()
            ->route('finance-charges', ['as_of' => $day->format('Y-m-d')])
            ->with('done', $posted === 1 ? 'One account was charged.' : "{$posted} accounts were charged.");
    }
}
