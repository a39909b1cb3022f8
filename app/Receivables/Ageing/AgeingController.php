<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\AccountFound;
use Elmstone\Receivables\Accounts\AccountRequest;
use Elmstone\Receivables\Accounts\FindAccounts;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What all accounts owe and how late it is; who to call. */
final class AgeingController
{
    private const PAGE = 60;

    public function __construct(private readonly AsOf $asOf, private readonly House $house)
    {
    }

    public function index(AccountRequest $request, FindAccounts $find): View
    {
        $typed = $request->string('find')->trim()->value();
        $report = AgeingReport::of($this->asOf, $this->house, $request->asOf());
        $band = AgeBand::tryFrom($request->string('band')->value());
        $customers = $report->sorted($band);

        if ($typed !== '') {
            $found = array_map(
                static fn (AccountFound $found): int => $found->customer->id,
                $find->find($typed, 200),
            );
            $customers = array_values(array_intersect($customers, $found));
        }

        return view('accounts.ageing', [
            'ageing' => $report,
            'report' => $report->table(
                $report->accounts(array_slice($customers, $request->skip(), self::PAGE)),
                $this->house,
            )->orElse(
                $typed === '' ? 'Nobody owes anything in that column.' : 'No account with a balance is found by that.',
            ),
            'count' => count($customers),
            'page' => self::PAGE,
            'skip' => $request->skip(),
            'band' => $band,
            'find' => $typed,
            'without' => $typed === ''
                    ? []
                    : array_values(
                        array_filter(
                            $find->find($typed, 20),
                            static fn (AccountFound $found): bool => $found->balance !== null
                                && $found->balance->isZero(),
                        ),
                    ),
            'house' => $this->house,
        ]);
    }

    public function csv(AccountRequest $request): StreamedResponse
    {
        $report = AgeingReport::of($this->asOf, $this->house, $request->asOf());

        return $report->table($report->accounts($report->sorted(null)), $this->house)->csv();
    }

    public function calls(Worklist $worklist): View
    {
        return view('accounts.calls', ['rows' => $worklist->today(ShopTime::today()), 'house' => $this->house]);
    }

    public function call(CallRequest $request, Customer $customer, #[CurrentUser] Staff $by): RedirectResponse
    {
        Call::query()->create([
            'customer_id' => $customer->id,
            'staff_id' => $by->id,
            'called_on' => ShopTime::today(),
            ...$request->fields(),
        ]);

        return back()->with('done', "The call to {$customer->name} is noted.");
    }
}
