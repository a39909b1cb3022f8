<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\MakeOrder;
use Elmstone\Counter\Parts\MakeQuote;
use Elmstone\Counter\Parts\SupplyFromSlip;
use Elmstone\Counter\Parts\TakeUpQuote;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Customers\Customer;
use Elmstone\Deliveries\EndStop;
use Elmstone\Deliveries\PlanStops;
use Elmstone\Deliveries\Vehicle;
use Elmstone\Orders\ChangeOrder;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderChange;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Orders\Supply\SupplyInOffice;
use Elmstone\Quotes\EndQuote;
use Elmstone\Quotes\Quote;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Support\ShopTime;
use Elmstone\WebOrders\StandIn\WebShopMood;

/** Quotes, orders and what is bought for them, in every state around today, by the acts of counter and office. */
final class DemoOrders
{
    /** How the shop brings goods and what it asks for it. */
    private const TERMS = [
        'quote_days' => '30',
        'freight_class' => 'standard',
        'closed_weekdays' => '7',
        'cancellation_fee' => '10',
        'deposit.special' => '25',
        'freight.delivery' => [
            ['up_to' => '100', 'charge' => '18.00'],
            ['up_to' => '500', 'charge' => '35.00'],
            ['up_to' => '', 'charge' => '60.00'],
        ],
        'free.delivery' => '900.00',
        'freight.parcel' => [
            ['up_to' => '5', 'charge' => '6.50'],
            ['up_to' => '30', 'charge' => '14.00'],
            ['up_to' => '', 'charge' => '38.00'],
        ],
        'free.parcel' => '',
    ];

    /** @var array<string, list<Closure(): mixed>> what is done on each day */
    private array $events = [];

    /** @var array<string, int> orders, quotes and purchases by what the stories call them */
    private array $made = [];

    private CarbonImmutable $today;

    private CarbonImmutable $first;

    private ?DemoAccounts $accounts = null;

    public function __construct(
        private readonly DemoClerk $clerk,
        private readonly DemoPurchases $purchases,
        private readonly AddToSlip $add,
        private readonly PutCustomer $put,
        private readonly MakeOrder $order,
        private readonly MakeQuote $quote,
        private readonly SupplyFromSlip $supply,
        private readonly TakeUpQuote $takeUp,
        private readonly SupplyInOffice $inOffice,
        private readonly ChangeOrder $change,
        private readonly EndQuote $endQuote,
        private readonly OrderTerms $terms,
        private readonly PlanStops $stops,
        private readonly EndStop $endStop,
        private readonly DemoWeb $web,
        private readonly DemoTransfers $transfers,
    ) {
    }

    /** @param  CarbonImmutable  $first the first day of the history */
    public function plan(CarbonImmutable $first, CarbonImmutable $today, DemoAccounts $accounts): void
    {
        [$this->first, $this->today, $this->accounts] = [$first, $today, $accounts];
        $this->terms->save(self::TERMS);
        $this->purchases->begin();
        $this->planOrders();
        $this->planPurchases();
        $this->planQuotes();
        $this->planWeb();
        $this->planTransfers();
    }

    public function on(CarbonImmutable $day): int
    {
        $events = $this->events[$day->format('Y-m-d')] ?? [];

        foreach ($events as $i => $event) {
            CarbonImmutable::setTestNow(ShopTime::when($day, 13, 5 + 2 * $i));
            $event();
        }

        CarbonImmutable::setTestNow();

        return count($events);
    }

    /** What is done this morning, and what is watched from now on. */
    public function today(): void
    {
        $this->orders('fetch', 12, ['LH-1140' => '6'], ['way' => 'collect', 'deposit' => '10'], 0);
        $this->purchases->draft('draft', 'QUARRY', ['LH-1141' => '60', 'LH-1300' => '10']);
        $this->purchases->watch();
        $this->lorries();
        $this->web->sends($this->customer(20), ['LH-1140' => '4', 'FX-5060' => '50'], true, WebShopMood::OtherPrice);
        $this->web->sends($this->customer(21), ['AD-0207' => '2', 'LH-1141' => '6'], true, WebShopMood::UnknownCode);
        $this->transfers->sends('young', ['LH-1141' => '12', 'VA-2214' => '6'], $this->open($this->today->addDay()));
    }

    /** The lorries, and what is on them today and on the next day that the shop is open. */
    private function lorries(): void
    {
        $location = $this->clerk->till(1)->location_id;
        [$large, $small] = array_map(
            static fn (array $one): Vehicle => Vehicle::query()->create([
                'location_id' => $location, 'name' => $one[0], 'carries' => $one[1], 'active' => true,
            ]),
            [['Flatbed', '3500'], ['Van', '800']],
        );
        $next = $this->open($this->today->addDay());

        foreach (['lorry' => $large, 'site' => $large] as $name => $vehicle) {
            isset($this->made[$name]) && $this->stops->put($this->order($name)->load('picks'), $vehicle, $next);
        }

        if (isset($this->made['near'])) {
            $stop = $this->stops->put($this->order('near')->load('picks'), $small, $this->open($this->today));
            $this->endStop->failed($stop->id, $stop->version, 'nobody there', $this->clerk->staff('104'));
        }
    }

    private function planOrders(): void
    {
        $wanted = fn (int $days): string => $this->open($this->today->addDays($days))->format('Y-m-d');
        $this->at(27, fn () => $this->orders('done', 0, ['LH-1140' => '12', 'LH-1300' => '1'], ['deposit' => '20'], 1));
        $this->at(23, fn () => $this->fetched('done'));
        $this->at(26, fn () => $this->orders('gone', 1, ['MA-0031' => '2'], ['deposit' => '40'], 0));
        $this->at(22, fn () => $this->cancelled('gone', 'bought a lighter one'));
        $this->at(26, fn () => $this->orders(
            'arrived', 2, ['ST-2001' => '260'], ['source' => 'special', 'note' => 'Kitchen floor, all of one lot'], 1,
        ));
        $this->at(18, fn () => $this->orders(
            'account', self::account(0), ['AD-0207' => '10', 'PI-2800' => '160'],
            ['way' => 'delivery', 'wanted_on' => $wanted(2), 'wanted_when' => 'morning'],
        ));
        $this->at(13, fn () => $this->loaded('account', [1 => '6']));
        $this->at(11, fn () => $this->orders(
            'late', 3, ['VA-2214' => '240'],
            ['source' => 'telephone', 'deposit' => '200', 'wanted_on' => $wanted(-3)], 0,
        ));
        $this->at(9, fn () => $this->orders(
            'special', 4, ['MA-0062' => '14'], ['source' => 'special', 'wanted_on' => $wanted(8)], 1,
        ));
        $this->at(7, fn () => $this->changed('special', [1 => '16'], 'one more for the workshop'));
        $this->at(5, fn () => $this->orders(
            'lorry', 5, ['ST-2001' => '12', 'AD-0207' => '4'],
            ['source' => 'telephone', 'way' => 'delivery', 'wanted_on' => $wanted(1), 'wanted_when' => 'morning',
                'note' => 'Gate on the left; ring first'],
            0,
        ));
        $this->at(4, fn () => $this->orders(
            'parcel', 6, ['VA-2214' => '2', 'FX-5060' => '200'],
            ['source' => 'telephone', 'way' => 'parcel', 'wanted_on' => $wanted(4), 'deposit' => 'all'], 1,
        ));
        $this->at(3, fn () => $this->orders(
            'site', self::account(1), ['LH-1141' => '24', 'GR-301' => '6'],
            ['way' => 'delivery', 'wanted_on' => $wanted(1), 'wanted_when' => 'afternoon'],
        ));
        $this->at(2, fn () => $this->orders(
            'near', 14, ['AD-0207' => '3'],
            ['source' => 'telephone', 'way' => 'delivery', 'wanted_on' => $wanted(0)], 0,
        ));
        $this->at(1, fn () => $this->orders(
            'hooks', 7, ['LH-1300' => '40'],
            ['wanted_on' => $wanted(0), 'wanted_when' => 'afternoon', 'deposit' => '20'], 0,
        ));
    }

    private function planPurchases(): void
    {
        $this->at(27, fn () => $this->made['b1'] = $this->purchases->buy('one', 'PIPES', ['VA-2214' => '60']));
        $this->at(20, fn () => $this->made['d1'] = $this->purchases->arrives($this->made['b1'], 100, '18.00'));
        $this->at(16, fn () => $this->purchases->invoiced($this->made['b1'], $this->made['d1']));
        $this->at(26, fn () => $this->made['b0'] = $this->purchases->buy('gone', 'TOOLS', ['MA-0031' => '6']));
        $this->at(22, fn () => $this->purchases->givenUp($this->made['b0']));
        $this->at(25, fn () => $this->made['b2'] = $this->purchases->buyForOrders('two', 'QUARRY') ?? 0);
        $this->at(24, fn () => $this->made['b3'] = $this->purchases->buy(
            'three', 'QUARRY', ['LH-1140' => '300', 'LH-1141' => '200'],
        ));
        $this->at(15, fn () => $this->made['d2'] = $this->purchases->arrives($this->made['b2'], 100, '95.00', '4'));
        $this->at(13, fn () => $this->made['d3'] = $this->purchases->arrives($this->made['b3'], 60, '40.00'));
        $this->at(8, fn () => $this->purchases->invoiced($this->made['b3'], $this->made['d3'], 1250));
        $this->at(10, fn () => $this->purchases->buyForOrders('four', 'PIPES', $this->today->addDays(3)));
        $this->at(6, fn () => $this->purchases->buyForOrders('five', 'TOOLS', $this->today->addDays(6)));
        $this->at(19, fn () => $this->purchases->buy('late', 'KILN', ['AD-0207' => '40', 'GR-301' => '24']));
    }

    private function planQuotes(): void
    {
        $this->at(27, fn () => $this->quotes('old', 8, ['ST-2001' => '80', 'AD-0207' => '20'], 14));
        $this->at(26, fn () => $this->quotes('won', 9, ['AD-0207' => '12', 'GR-301' => '4']));
        $this->at(21, fn () => $this->taken('won'));
        $this->at(24, fn () => $this->quotes('lost', 10, ['MA-0031' => '3']));
        $this->at(12, fn () => $this->endQuote->lost($this->made['lost'], 'Price', $this->clerk->staff('102')));
        $this->at(25, fn () => $this->quotes('ending', 11, ['PI-2800' => '120', 'VA-2214' => '8']));
        $this->at(8, fn () => $this->quotes('revised', self::account(2), ['ST-2001' => '40', 'LH-1140' => '20']));
        $this->at(6, fn () => $this->revised('revised', '3 x AD-0207'));
        $this->at(2, fn () => $this->quotes('young', 13, ['LH-1300' => '4', 'LH-1141' => '10']));
    }

    private function planWeb(): void
    {
        $this->at(14, fn () => $this->web->sends($this->customer(16), ['FX-5060' => '100'], true));
        $this->at(7, fn () => $this->made['other'] = $this->web->sends(
            $this->customer(17), ['AD-0207' => '1'], true, WebShopMood::OtherCurrency,
        ));
        $this->at(6, fn () => $this->web->refused($this->made['other'], 'We sell in our own currency only.'));
        $this->at(3, fn () => $this->web->sends($this->customer(18), ['LH-1140' => '8', 'AD-0207' => '2'], true));
        $this->at(1, fn () => $this->web->sends($this->customer(19), ['VA-2214' => '3', 'PI-2800' => '12'], false));
    }

    private function planTransfers(): void
    {
        $this->at(20, fn () => $this->made['t1'] = $this->transfers->sends('one', ['AD-0207' => '20']));
        $this->at(19, fn () => $this->transfers->arrives($this->made['t1']));
        $this->at(9, fn () => $this->made['t2'] = $this->transfers->sends(
            'two', ['GR-301' => '10', 'LH-1140' => '24'],
        ));
        $this->at(8, fn () => $this->transfers->arrives($this->made['t2'], '2'));
        $this->at(4, fn () => $this->transfers->sends('late', ['FX-5060' => '200']));
    }

    /**
     * @param  int  $who a customer without account, or an account as account() says
     * @param  array<string, string>  $goods
     * @param  array<string, string>  $terms deposit: a figure, or “all”
     */
    private function orders(string $name, int $who, array $goods, array $terms, int $turn = 0): void
    {
        [$slip, $act] = $this->basket("order {$name}", $who, $goods, $turn);
        $this->order->begin($slip, $act());
        $deposit = $terms['deposit'] ?? null;
        unset($terms['deposit']);
        // Freight comes with the way, and the deposit after both.
        $terms === [] || $this->order->terms($slip, $act(), $terms);

        if ($deposit !== null) {
            $all = $this->clerk->due($slip, $act);
            $this->order->terms($slip, $act(), ['deposit' => $deposit === 'all' ? $all : $deposit]);
        }

        $this->clerk->settle($slip, $act, $turn % 2);
        $this->made[$name] = (int) $this->clerk->posted($slip)->agreement_id;
    }

    /** Everything that is here is handed out at the counter. */
    private function fetched(string $name): void
    {
        [$slip, $act] = $this->clerk->slip("fetch {$name}", 3);
        $this->supply->add($slip, $act(), $this->order($name));
        $this->clerk->settle($slip, $act);
    }

    /** @param  array<int, string>  $quantities by position */
    private function loaded(string $name, array $quantities): void
    {
        $order = $this->order($name);
        $invoice = $this->inOffice->handle(
            $order->id,
            $order->version,
            Leaving::of(array_map(BigDecimal::of(...), $quantities)),
            $this->clerk->till(1),
            $this->clerk->staff('301'),
            $this->clerk->key("load {$name}"),
            new GivenApproval($this->clerk->staff('901'), 'knows them well'),
        );
        $item = OpenItemRecord::query()->where('document_id', $invoice)->firstOrFail();
        $this->accounts?->charged($item->customer_id, $item->amount);
    }

    /** @param  array<int, string>  $quantities by position */
    private function changed(string $name, array $quantities, string $why): void
    {
        $order = $this->order($name);
        $this->change->handle(
            $order->id,
            $order->version,
            new OrderChange(array_map(BigDecimal::of(...), $quantities), reason: $why),
            $this->clerk->till(1),
            $this->clerk->staff('103'),
        );
    }

    private function cancelled(string $name, string $why): void
    {
        $order = $this->order($name);
        $this->change->handle(
            $order->id,
            $order->version,
            OrderChange::cancelling(
                $order,
                $why,
                false,
                new GivenApproval($this->clerk->staff('201'), 'as agreed'),
            ),
            $this->clerk->till(1),
            $this->clerk->staff('103'),
        );
    }

    /**
     * @param  int  $who as in orders()
     * @param  array<string, string>  $goods
     * @param  int|null  $days so long its prices hold; null: as the shop’s do
     */
    private function quotes(string $name, int $who, array $goods, ?int $days = null): void
    {
        [$slip, $act] = $this->basket("quote {$name}", $who, $goods, 2);
        $this->quote->begin($slip, $act());
        $days === null || $this->quote->terms(
            $slip,
            $act(),
            ['valid_until' => ShopTime::today()->addDays($days)->format('Y-m-d')],
        );
        $this->clerk->settle($slip, $act);
        $this->made[$name] = (int) Quote::query()->max('id');
    }

    private function revised(string $name, string $more): void
    {
        [$slip, $act] = $this->clerk->slip("revise {$name}", 1);
        $this->takeUp->revise($slip, $act(), $this->quoteOf($name));
        $this->add->handle($slip, $act(), $more);
        $this->clerk->settle($slip, $act);
    }

    private function taken(string $name): void
    {
        [$slip, $act] = $this->clerk->slip("take up {$name}", 0);
        $this->takeUp->scan($slip, $act(), $this->quoteOf($name));
        $this->clerk->settle($slip, $act, 1);
    }

    /**
     * @param  int  $who as in orders()
     * @param  array<string, string>  $goods quantities by code
     * @return array{string, Closure(int|null=): Act}
     */
    private function basket(string $name, int $who, array $goods, int $turn): array
    {
        [$slip, $act] = $this->clerk->slip($name, $turn);
        $this->put->handle($slip, $act(), $this->customer($who));

        foreach ($goods as $code => $quantity) {
            $this->add->handle($slip, $act(), "{$quantity} x {$code}");
        }

        return [$slip, $act];
    }

    private static function account(int $number): int
    {
        return -1 - $number;
    }

    /** Those with an account below zero: the ones that owe least; else those without. */
    private function customer(int $who): Customer
    {
        $query = Customer::query()->with('type.priceLevel');

        return $who < 0
            ? $query
                ->whereHas('type', static fn ($type) => $type->where('name', 'Large trade'))
                ->whereIn('id', HouseAccount::query()
                    ->where('stopped', false)
                    ->select('customer_id'))
                ->orderByDesc('id')
                ->skip(-$who)
                ->firstOrFail()
            : $query->orderBy('id')->skip(DemoCustomers::ACCOUNTS + 50 + 2 * $who)->firstOrFail();
    }

    private function order(string $name): Order
    {
        return Order::query()
            ->with(['progress', 'allLines.item', 'entries', 'customer.type.priceLevel'])
            ->findOrFail($this->made[$name]);
    }

    private function quoteOf(string $name): Quote
    {
        return Quote::query()->with(['customer.type.priceLevel', 'allLines.item'])->findOrFail($this->made[$name]);
    }

    /** @param  Closure(): mixed  $do */
    private function at(int $ago, Closure $do): void
    {
        $day = $this->open($this->today->subDays($ago));
        $day->lessThan($this->first)
            || $day->greaterThanOrEqualTo($this->today)
            || ($this->events[$day->format('Y-m-d')][] = $do);
    }

    /** No Sundays. */
    private function open(CarbonImmutable $day): CarbonImmutable
    {
        return $day->isSunday() ? $day->addDay() : $day;
    }
}
