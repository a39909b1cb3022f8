<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Brick\Math\BigDecimal;
use Closure;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Customers\Customer;
use Elmstone\Orders\Order;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\PurchaseLine;
use Elmstone\Purchasing\Receiving\Arrived;
use Elmstone\Purchasing\Receiving\Receive;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\StandIn\ComposeOrder;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;

/** Builds a shop with many open orders and measures making and supplying one, the worklists, and goods that come in. */
final class OrdersCommand extends Command
{
    private const LINES = 200;

    private const WEB_ORDERS = 1000;

    protected $signature = 'bench:orders {--address=} {--orders=100000} {--rounds=60}';

    protected $description = 'Measure orders';

    /** @var list<array{string, Timings, string}> what, how long, aim */
    private array $rows = [];

    public function handle(Layaways50k $shop, Orders100k $orders, House $house): int
    {
        $this->line('building the shop');
        $customers = $shop->build();
        $clerk = Browser::of($this);
        $clerk->signIn('201', 1);
        $this->order($clerk, $customers[0])();
        $orders->multiply((int) $this->option('orders'));
        $this->line('measuring with '.number_format(Order::query()->count()).' orders');
        $this->counter($clerk, $customers);
        $this->lists($clerk);
        $this->goodsIn($house);
        $this->web($customers);
        $many = number_format((int) $this->option('orders'));
        Sheet::write($this, 'orders', "{$many} open orders of 2,000 customers", $this->rows);

        return self::SUCCESS;
    }

    /** @param  list<int>  $customers */
    private function counter(Browser $clerk, array $customers): void
    {
        [$empty, $sale, $made, $supplied, $paid] = [new Timings, new Timings, new Timings, new Timings, new Timings];

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $customer = $customers[$round * 13 % count($customers)];
            $empty->time(static fn (): string => $clerk->get('/up'));
            $sale->time($this->sale($clerk, $customer));
            $made->time($this->order($clerk, $customer));
            $latest = (string) DB::table('agreements')->orderByDesc('id')->value('label');
            $supplied->time($this->supply($clerk, $latest));
            $total = DB::table('agreements')->where('label', $latest)->value('total');
            $this->order($clerk, $customer, (string) BigDecimal::ofUnscaledValue((int) $total, 2))();
            $latest = (string) DB::table('agreements')->orderByDesc('id')->value('label');
            $paid->time($this->supply($clerk, $latest, isPaid: true));
        }

        array_push(
            $this->rows,
            ['floor: an empty route', $empty, ''],
            ['A cash sale of two lines', $sale, ''],
            ['The same made an order', $made, 'with supplying it at most 1.4 times a sale each'],
            ['Supplying one that is paid: an invoice', $paid, ''],
            ['Supplying one with the rest paid: a receipt and an invoice', $supplied, ''],
        );
    }

    private function lists(Browser $clerk): void
    {
        foreach (
            [
                '/orders' => 'Worklist, wanted next',
                '/orders?tab=ready' => 'Worklist, goods here',
                '/orders?tab=waits' => 'Worklist, waiting for goods',
                '/orders?tab=late' => 'Worklist, late',
                '/to-buy' => 'What is to be bought',
                '/deliveries' => 'The board of deliveries',
            ] as $address => $words
        ) {
            $timing = new Timings;
            array_map(static fn (): string => $clerk->get($address), range(1, 4));

            for ($round = 0; $round < 30; $round++) {
                $timing->time(static fn (): string => $clerk->get($address));
            }

            $this->rows[] = [$words, $timing, 'under 80'];
        }
    }

    private function goodsIn(House $house): void
    {
        $till = Till::query()->with('location')->findOrFail(1);
        $by = Staff::query()->where('number', '301')->firstOrFail();
        $supplier = Supplier::query()->create([
            'code' => 'BENCH', 'name' => 'Quarry', 'mail' => '', 'phone' => '', 'street' => '', 'postcode' => '',
            'town' => '', 'our_number' => '', 'lead_days' => 7, 'active' => true, 'version' => 1,
        ]);
        $items = Item::query()->where('has_serials', false)->orderBy('id')->limit(self::LINES)->get();
        $timing = new Timings;

        for ($round = 0; $round < 12; $round++) {
            $purchase = $this->bought($supplier, $till, $by, array_values($items->all()));
            $timing->time(static fn () => app(Receive::class)->handle(
                $purchase->id,
                $purchase->version,
                array_values($purchase->lines->map(static fn (PurchaseLine $line): Arrived => new Arrived(
                    $line->position,
                    $line->item,
                    BigDecimal::of(3),
                    null,
                    BigDecimal::zero(),
                ))->all()),
                Money::zero($house->currency()),
                '',
                $till,
                $by,
                (string) Str::uuid(),
            ));
        }

        $this->rows[] = ['Counting '.self::LINES.' lines of goods in', $timing, 'under 500'];
    }

    /**
     * As many as come in a busy hour, each of three lines.
     *
     * @param  list<int>  $customers
     */
    private function web(array $customers): void
    {
        $till = Till::query()->firstOrFail();
        $sender = Sender::query()->create([
            'code' => 'BENCH', 'name' => 'Web shop', 'location_id' => $till->location_id, 'way' => 'parcel',
            'staff_id' => Staff::query()->where('number', '301')->value('id'), 'token_hash' => null, 'token_end' => '',
            'customer_id' => null,
            'active' => true,
        ])->load(['location.taxProfile.components', 'staff']);
        $item = static fn (string $code): Item => Item::query()->where('code', $code)->firstOrFail();
        $goods = [
            [$item('LH-1140'), Quantity::of('2')], [$item('AD-0207'), Quantity::of('1')],
            [$item('MA-0031'), Quantity::of('1')],
        ];
        [$timing, $taken] = [new Timings, 0];

        for ($i = 0; $i < self::WEB_ORDERS; $i++) {
            $customer = Customer::query()->with('type.priceLevel')->findOrFail($customers[$i % count($customers)]);
            $xml = app(ComposeOrder::class)->of("B-{$i}", $customer, $goods, false);
            $timing->time(static function () use ($sender, $xml, &$taken): void {
                $web = app(ReceiveWebOrder::class)->handle($sender, $xml, 'address');
                $taken += $web->agreement_id === null ? 0 : 1;
            });
        }

        $this->line(sprintf('%d of %d web orders were taken', $taken, self::WEB_ORDERS));
        $this->rows[] = [
            sprintf('A web order; %s of them took %.1f s', number_format(self::WEB_ORDERS), $timing->sum() / 1000),
            $timing,
            '1,000 under 60 s',
        ];
    }

    /** @param  list<Item>  $items */
    private function bought(Supplier $supplier, Till $till, Staff $by, array $items): Purchase
    {
        $desk = app(PurchaseDesk::class);
        $lines = array_map(
            static fn (Item $item): BuyLine => new BuyLine($item, Quantity::of('3'), UnitPrice::of('2.50')),
            $items,
        );
        $made = $desk->make(
            $supplier,
            $till->location,
            $lines === [] ? throw new RuntimeException('There are no items.') : $lines,
            null,
            $by,
            (string) Str::uuid(),
        );

        return $desk->send($made->id, $made->version)->load('lines.item');
    }

    /** @return Closure(): string the posting of a slip that is ready */
    private function sale(Browser $clerk, int $customer): Closure
    {
        $do = $this->slip($clerk, $customer);

        return self::posting($do, $do('cash', ['cash' => '900']));
    }

    /** @return Closure(): string */
    private function order(Browser $clerk, int $customer, string $deposit = '20'): Closure
    {
        $do = $this->slip($clerk, $customer);
        $do('order', []);
        $do('order/terms', ['deposit' => $deposit, 'wanted_on' => date('Y-m-d', time() + 5 * 86400)]);

        return self::posting($do, $do('cash', ['cash' => '900']));
    }

    /** @return Closure(): string */
    private function supply(Browser $clerk, string $label, bool $isPaid = false): Closure
    {
        $do = $this->doing($clerk, (string) Str::uuid());
        $page = $do('add', ['entry' => $label]);

        return self::posting($do, $isPaid ? $page : $do('cash', ['cash' => '900']));
    }

    /** @return Closure(string, array<string, string>): string */
    private function slip(Browser $clerk, int $customer): Closure
    {
        $do = $this->doing($clerk, (string) Str::uuid());
        $do('customer', ['customer' => (string) $customer]);
        $do('add', ['entry' => 'MA-0031']);
        $do('add', ['entry' => '2 x AD-0207']);

        return $do;
    }

    /** @return Closure(string, array<string, string>): string */
    private function doing(Browser $clerk, string $slip): Closure
    {
        return static fn (
            string $act,
            array $fields,
        ): string => $clerk->post("/counter/{$slip}/{$act}", ['act' => (string) Str::uuid(), ...$fields]);
    }

    /**
     * @param  Closure(string, array<string, string>): string  $do
     * @return Closure(): string
     */
    private static function posting(Closure $do, string $page): Closure
    {
        preg_match('/data-version="(\d+)"/', $page, $found);

        return static function () use ($do, $found): string {
            $answer = $do('post', ['version' => $found[1] ?? '']);

            return str_contains($answer, 'class="just') || str_contains($answer, 'as ORD-')
                || str_contains($answer, 'Posted as') ? $answer : throw new RuntimeException('It was not posted.');
        };
    }
}
