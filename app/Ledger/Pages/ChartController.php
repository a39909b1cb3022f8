<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Elmstone\Books\Account;
use Elmstone\Books\AccountKind;
use Elmstone\Ledger\SaveAccount;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** The chart of accounts: numbers and names, and accounts of the house's own. */
final class ChartController
{
    public function index(): View
    {
        return view('ledger.chart', [
            'accounts' => Account::query()->orderBy('number')->get(),
            'kinds' => AccountKind::cases(),
        ]);
    }

    public function update(
        AccountNameRequest $request,
        Account $account,
        SaveAccount $save,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $save->change($account, $request->number(), $request->name(), $request->integer('version'), $by);

        return redirect()->route('ledger.chart')->with('done', 'Kept.');
    }

    public function store(AccountNameRequest $request, SaveAccount $save, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->saidAtItsField(
            fn () => $save->add($request->number(), $request->name(), $request->kind(), $by),
        );

        return redirect()->route('ledger.chart')->with('done', 'Added.');
    }
}
