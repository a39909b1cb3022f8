<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Books\Register;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Customers\Customer;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Paper\Outbox;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Payments\ReturnPayment;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Rewards\RewardTerms;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** The whole demonstration shop, relative to the day it is loaded on. */
final class DemoHouse
{
    public const SEED = 20261101;

    public const MONTHS = 14;

    /** For so many weeks more has been sold. */
    private const BUSIER = 13;

    /** Sales a day, the fewest and the most. */
    private const BEFORE = [4, 10];

    private const LATELY = [9, 20];

    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly StockLedger $stock,
        private readonly BringIn $bringIn,
        private readonly AddToSlip $add,
        private readonly CountTender $count,
        private readonly PostSale $post,
        private readonly SaveCustomer $saveCustomer,
        private readonly ManageAccount $manage,
        private readonly Ledger $ledger,
        private readonly TakePayment $take,
        private readonly ReturnPayment $return,
        private readonly DemoLayaways $layaways,
        private readonly DemoReturns $returns,
        private readonly DemoTills $drawers,
        private readonly DemoOrders $orders,
        private readonly DemoShares $shares,
        private readonly ShareLedger $shareLedger,
        private readonly DemoMarkdowns $markdowns,
        private readonly DemoOwners $owners,
        private readonly RewardTerms $rewards,
        private readonly PutCustomer $putCustomer,
        private readonly DemoPaying $paying,
    ) {
    }

    /** @param  Closure(string): mixed  $say */
    public function load(CarbonImmutable $today, Closure $say, int $months = self::MONTHS): void
    {
        $chance = new Chance(self::SEED);
        (new DemoShop($chance, $today))->build();
        $say('shop, staff and '.Item::query()->count().' items');
        (new DemoCustomers($chance, $today, $this->saveCustomer, $this->manage))->build();
        $say(DemoCustomers::CUSTOMERS.' customers, '.DemoCustomers::ACCOUNTS.' house accounts');
        $accounts = new DemoAccounts(
            $chance,
            $this->house,
            $today,
            $this->ledger,
            $this->take,
            $this->return,
            $this->manage,
        );
        $shelves = new DemoStock($chance, $this->house, $this->bringIn);
        $sales = new DemoSales(
            $chance, $this->house, $this->register, $this->stock, $this->shareLedger, $shelves,
        );
        $first = $today->subMonths($months);
        $sales->with($accounts);
        // The days are closed with the history, not before it.
        Location::query()->update(['closed_through' => $first->subDays(2)]);
        $shelves->open($first->subDay());
        $this->shares->begin($first, $today);
        $sales->sharing($this->shares);
        $this->drawers->begin($chance, $first, $today);
        $this->layaways->plan($first, $today, $accounts);
        $this->returns->rules($today);
        $this->orders->plan($first, $today, $accounts);
        $done = ['sales' => 0, 'paid' => 0, 'held' => 0, 'back' => 0, 'ordered' => 0];

        for ($day = $first; $day->lessThan($today); $day = $day->addDay()) {
            if ($day->isSunday()) {
                (int) $day->format('W') % 2 === 0 && $shelves->deliver($day);

                continue;
            }

            // Sealed once, and written to the disk once.
            $more = DB::transaction(fn (): array => $this->day($day, $today, $sales, $accounts, $shelves));

            foreach ($more as $what => $times) {
                $done[$what] += $times;
            }

            $this->drawers->closeDays($day);
        }

        $shelves->deliver($today->subDay());
        $accounts->end();
        $this->layaways->end($today);
        $say(
            "{$done['sales']} sales, {$done['paid']} payments on account, {$done['held']} visits for layaways, "
                ."deposits and plans, {$done['back']} for returns, gift cards and credits",
        );
        $say("{$done['ordered']} acts for orders, quotes and purchases");
        $this->markdowns->morning();
        $this->rewards->keep([
            'per_unit' => '1',
            'threshold' => 250,
            'reward' => Money::of('10.00', $this->house->currency()),
            'months' => 18,
        ], []);
        $this->today();
        $this->toMembers($this->owners->build());
        $this->orders->today();
        $this->returns->end();
        $this->paying->build($today);
        $this->drawers->end($first);
        $say('today’s sales, and slips that wait');
    }

    /** @return array{sales: int, paid: int, held: int, back: int, ordered: int} how often what was done */
    private function day(
        CarbonImmutable $day,
        CarbonImmutable $today,
        DemoSales $sales,
        DemoAccounts $accounts,
        DemoStock $shelves,
    ): array {
        $this->drawers->morning($day);
        $this->drawers->banking($day);
        [$least, $most] = $day->lessThan($today->subWeeks(self::BUSIER)) ? self::BEFORE : self::LATELY;
        $done = ['sales' => $sales->sellOn($day, $least, $most)];
        $done['paid'] = $accounts->payOn($day);
        $shelves->refill($day);
        $done['held'] = $this->layaways->on($day);
        $done['back'] = $this->returns->on($day);
        $done['ordered'] = $this->orders->on($day);
        $accounts->bounceOn($day);
        $this->shares->on($day);
        $this->drawers->evening($day);

        return $done;
    }

    /** Drawers opened, a few sales of today and three slips set aside, by the very acts a clerk does. */
    private function today(): void
    {
        $this->drawers->today();

        $baskets = [['LH-1140', 'AD-0207'], ['PI-2800', 'VA-2214'], ['MA-0031'], ['FX-5060', 'SU-0011', 'TO-0071']];

        foreach ($baskets as $i => $codes) {
            [$slip, $act] = $this->basket($codes, ($i % 3) + 1, $i % 5);
            $cash = $this->count->cash($slip, $act(), Money::of('500.00', $this->house->currency()));
            $this->post->handle($slip, $act($cash->version));
        }

        foreach ([['ST-2001', 'GR-301'], ['LH-1141', 'LH-1300'], ['PT-0704']] as $i => $codes) {
            $this->basket($codes, $i + 1, $i);
        }
    }

    /**
     * Somebody who collects points buys what belongs to somebody else, and other things.
     *
     * @param  list<string>  $theirs
     */
    private function toMembers(array $theirs): void
    {
        $members = Customer::query()->whereNull('merged_into_id')->orderBy('id')->limit(40)->get();
        Customer::query()->whereKey($members->modelKeys())->update(['rewards_on' => ShopTime::today()]);

        foreach ([[$theirs[0], 'LH-1140'], [$theirs[1], 'GR-301'], [$theirs[0], 'MA-0031']] as $i => $codes) {
            [$slip, $act] = $this->basket([], 1, $i);
            $this->putCustomer->handle($slip, $act(), $members[$i * 3 + 1]);
            array_walk($codes, fn (string $code) => $this->add->handle($slip, $act(), $code));
            $cash = $this->count->cash($slip, $act(), Money::of('900.00', $this->house->currency()));
            $this->post->handle($slip, $act($cash->version));
        }

        app(Outbox::class)->sendDue();
    }

    /**
     * @param  list<string>  $codes
     * @return array{string, Closure(int|null=): Act}
     */
    private function basket(array $codes, int $till, int $clerk): array
    {
        $staff = Staff::query()->orderBy('id')->skip($clerk)->firstOrFail();
        $till = Till::query()->with('location.taxProfile.components')->where('number', $till)->firstOrFail();
        $act = static fn (?int $version = null): Act => new Act((string) Str::uuid(), $staff, $till, $version);
        $slip = (string) Str::uuid();

        foreach ($codes as $code) {
            if (Item::query()->where('code', $code)->exists()) {
                $this->add->handle($slip, $act(), "2 x {$code}");
            }
        }

        return [$slip, $act];
    }
}
