<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Department;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;

/** The programme: who takes part, what it costs and owes, its terms; and a customer who joins or leaves. */
final class RewardsController
{
    private const SHOWN = 100;

    public function __construct(private readonly RewardTerms $terms, private readonly House $house)
    {
    }

    public function index(): View
    {
        $points = DB::table('reward_entries')->groupBy('customer_id')
            ->selectRaw('customer_id, CAST(SUM(points) AS SIGNED) AS points');

        return view('rewards.index', [
            'programme' => $this->terms->programme(),
            'months' => $this->terms->months(),
            'members' => Customer::query()
                ->leftJoinSub($points, 'p', 'p.customer_id', '=', 'customers.id')
                ->whereNotNull('rewards_on')
                ->whereNull('merged_into_id')
                ->orderByDesc('p.points')
                ->orderBy('name')
                ->select('customers.*')
                ->selectRaw('COALESCE(p.points, 0) AS points')
                ->simplePaginate(self::SHOWN),
            'outstanding' => (int) DB::query()->fromSub($points, 'p')->where('points', '>', 0)->sum('points'),
            'given' => $this->given(ShopTime::today()->startOfYear()),
            'departments' => Department::query()->orderBy('name')->get(),
            'house' => $this->house,
        ]);
    }

    public function save(RewardTermsRequest $request): RedirectResponse
    {
        $this->terms->keep($request->terms(), $request->rates());

        return redirect()->route('rewards')->with('done', $request->terms() === null
            ? 'There is no programme from now on; points that were collected stay.'
            : 'Kept; it holds for sales from now on.');
    }

    public function join(Customer $customer, #[CurrentUser] Staff $by): RedirectResponse
    {
        abort_if($this->terms->programme() === null || $customer->isMerged(), 404);
        $this->put($customer, ShopTime::today(), $by);

        return back()->with('done', "{$customer->name} collects points from now on.");
    }

    public function leave(Customer $customer, #[CurrentUser] Staff $by): RedirectResponse
    {
        $this->put($customer, null, $by);

        return back()->with('done', "{$customer->name} collects no points any more; what there is stays.");
    }

    private function put(Customer $customer, ?CarbonImmutable $since, Staff $by): void
    {
        $is = $customer->rewards_on !== null;

        if ($is !== ($since !== null)) {
            Customer::query()->whereKey($customer->id)->toBase()->update(['rewards_on' => $since?->format('Y-m-d')]);
            CustomerChanges::record($customer->id, $by, 'rewards', $is ? 'yes' : 'no', $is ? 'no' : 'yes');
        }
    }

    private function given(CarbonImmutable $since): Money
    {
        return $this->house->money((int) Posted::documents()
            ->where('d.purpose', Purpose::Reward->value)
            ->where('d.business_date', '>=', $since->format('Y-m-d'))
            ->sum('d.total'));
    }
}
