<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\MakeOrder;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Orders\ChangeOrder;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderChange;
use Elmstone\Orders\Picking\PickOrder;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Orders\Supply\SupplyInOffice;
use Elmstone\Orders\Waiting\AllotGoods;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\Receiving\Arrived;
use Elmstone\Purchasing\Receiving\Receive;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Random orders, goods that come in, sales, supplies, changes and cancellations of one item, against a model that only
 * counts pieces. Whatever is refused must leave everything as it was.
 */
final class OrderSimulationTest extends FeatureCase
{
    use Ordering;

    private const SEED = 20261126;

    private const ACTS = 80;

    private Randomizer $random;

    private Till $at;

    private int $onHand = 0;

    /** @var array<int, array{ordered: int, supplied: int, aside: int, cancelled: int}> by order, the oldest first */
    private array $orders = [];

    public function test_random_acts_agree_with_a_plain_model(): void
    {
        $seed = (int) (getenv('ELMSTONE_SEED') ?: self::SEED);
        $acts = (int) (getenv('ELMSTONE_ACTS') ?: self::ACTS);
        fwrite(STDERR, "orders: seed {$seed}, {$acts} acts\n");
        $this->random = new Randomizer(new Mt19937($seed));
        $this->customer = $this->account('1000000.00', 'Weir Masonry');
        DB::table('customers')->update(['phone' => '555 0134']);
        $this->customer->refresh()->load('type.priceLevel');
        $this->at = Till::query()->with('location.taxProfile.components')->findOrFail(1);
        $this->supplier();
        $this->onHand = (int) DB::table('stock')
            ->where('item_id', $this->hook()->id)
            ->where('location_id', $this->at->location_id)
            ->value('on_hand');
        $told = [];

        for ($i = 0; $i < $acts; $i++) {
            $name = ['orders', 'orders', 'sells', 'arrives', 'supplies', 'supplies', 'grows', 'shrinks', 'givesUp',
                'allots', 'picks'][$this->random->getInt(0, 10)];
            $before = [$this->onHand, $this->orders];

            try {
                match ($name) {
                    'orders' => $this->makes(),
                    'sells' => $this->sells(),
                    'arrives' => $this->arrives(),
                    'supplies' => $this->suppliesSome(),
                    'grows' => $this->grows(),
                    'shrinks' => $this->shrinks(),
                    'givesUp' => $this->givesUp(),
                    'allots' => $this->allots(),
                    'picks' => $this->picks(),
                };
                $told[$name] = ($told[$name] ?? 0) + 1;
            } catch (Refused $refused) {
                [$this->onHand, $this->orders] = $before;
                $told['refused'] = ($told['refused'] ?? 0) + 1;
            }

            $this->assertAgrees("{$name}, act {$i}");
        }

        $this->assertCount(10, $told, json_encode($told, JSON_THROW_ON_ERROR));
        $this->assertProves();
    }

    private function makes(): void
    {
        $many = $this->random->getInt(1, 30);
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->act(), $this->customer);
        app(AddToSlip::class)->handle($slip, $this->act(), "{$many} x LH-1140");
        app(MakeOrder::class)->begin($slip, $this->act());
        app(PostSale::class)->handle($slip, $this->act(app(SlipDesk::class)->read($slip, $this->act())->version));
        $this->orders[(int) Order::query()->max('id')] = [
            'ordered' => $many, 'supplied' => 0, 'aside' => min($this->free(), $many), 'cancelled' => 0,
        ];
    }

    /** What others wait for is not sold over the counter. */
    private function sells(): void
    {
        $many = $this->random->getInt(1, 12);

        if ($many > $this->onHand) {
            throw Refused::because('none', '');
        }

        $isFree = $many <= $this->free();
        $slip = (string) Str::uuid();
        app(AddToSlip::class)->handle($slip, $this->act(), "{$many} x LH-1140");
        $cash = Money::of('100.00', Currency::of('USD'));
        $version = app(CountTender::class)->cash($slip, $this->act(), $cash)->version;

        try {
            app(PostSale::class)->handle($slip, $this->act($version));
            $this->assertTrue($isFree, 'Sold what is set aside for others.');
            $this->onHand -= $many;
        } catch (Refused $refused) {
            $this->assertFalse($isFree, "Refused, though it is free: {$refused->getMessage()}");

            throw $refused;
        }
    }

    private function arrives(): void
    {
        $many = $this->random->getInt(1, 25);
        $desk = app(PurchaseDesk::class);
        $made = $desk->make(
            $this->supplier(),
            $this->at->location,
            [new BuyLine($this->hook(), Quantity::of((string) $many), UnitPrice::of('1.50'))],
            null,
            $this->staff('901'),
            (string) Str::uuid(),
        );
        $sent = $desk->send($made->id, $made->version);
        app(Receive::class)->handle(
            $sent->id,
            $sent->version,
            [new Arrived(1, $this->hook(), BigDecimal::of($many), null, BigDecimal::zero())],
            Money::zero(Currency::of('USD')),
            '',
            $this->at,
            $this->staff('901'),
            (string) Str::uuid(),
        );
        $this->onHand += $many;

        foreach ($this->orders as $id => $order) {
            $now = min($many, $this->waits($order));
            $this->orders[$id]['aside'] += $now;
            $many -= $now;
        }
    }

    private function suppliesSome(): void
    {
        [$id, $order] = $this->oneOf();
        // Now and then more than there is left of it.
        $many = $this->random->getInt(1, max(1, $order['aside'])) + ($this->random->getInt(0, 6) === 0 ? 40 : 0);

        if ($order['aside'] === 0) {
            throw Refused::because('none', '');
        }

        app(SupplyInOffice::class)->handle(
            $id,
            $this->version($id),
            Leaving::of([1 => BigDecimal::of($many)]),
            $this->at,
            $this->staff('901'),
            (string) Str::uuid(),
        );
        $this->assertLessThanOrEqual($order['aside'], $many, 'More left than was set aside.');
        $this->onHand -= $many;
        $this->orders[$id]['aside'] -= $many;
        $this->orders[$id]['supplied'] += $many;
    }

    /** What is put with it waits until somebody sets it aside, or goods come in. */
    private function grows(): void
    {
        [$id, $order] = $this->oneOf();
        $more = $this->random->getInt(1, 5);
        $this->changesTo($id, $order['ordered'] - $order['cancelled'] + $more);
        $this->orders[$id]['ordered'] += $more;
    }

    /** What waits goes first, then what is set aside. */
    private function shrinks(): void
    {
        [$id, $order] = $this->oneOf();
        $left = $order['ordered'] - $order['cancelled'] - $order['supplied'];
        $less = $this->random->getInt(1, 4);

        if ($less >= $left) {
            throw Refused::because('none', '');
        }

        $this->changesTo($id, $order['ordered'] - $order['cancelled'] - $less);
        $this->orders[$id]['cancelled'] += $less;
        $this->orders[$id]['aside'] = min($order['aside'], $left - $less);
    }

    private function givesUp(): void
    {
        [$id, $order] = $this->oneOf();
        $of = $this->theOrder($id);
        app(ChangeOrder::class)->handle(
            $id,
            $of->version,
            OrderChange::cancelling($of, 'not needed', false, null),
            $this->at,
            $this->staff('901'),
        );
        $this->orders[$id]['cancelled'] = $order['ordered'] - $order['supplied'];
        $this->orders[$id]['aside'] = 0;
    }

    private function allots(): void
    {
        [$id, $order] = $this->oneOf();
        $now = min($this->free(), $this->waits($order));
        $set = app(AllotGoods::class)->handle($id, $this->staff('901'));
        $this->assertSame((string) $now, (string) $set[1]);
        $this->orders[$id]['aside'] += $now;
    }

    /** Not all of it is found: the rest waits again. */
    private function picks(): void
    {
        [$id, $order] = $this->oneOf();
        $found = $this->random->getInt(1, 10);
        app(PickOrder::class)->count($id, 1, (string) $found, (string) Str::uuid());
        $this->assertLessThanOrEqual($order['aside'], $found);
        app(PickOrder::class)->finish($id, $this->at->location, $this->staff('901'));
        $this->orders[$id]['aside'] = $found;
    }

    private function changesTo(int $id, int $quantity): void
    {
        app(ChangeOrder::class)->handle(
            $id,
            $this->version($id),
            new OrderChange([1 => BigDecimal::of($quantity)], reason: 'they say so'),
            $this->at,
            $this->staff('901'),
        );
    }

    /** @param  array{ordered: int, supplied: int, aside: int, cancelled: int}  $order */
    private function waits(array $order): int
    {
        return $order['ordered'] - $order['supplied'] - $order['cancelled'] - $order['aside'];
    }

    private function free(): int
    {
        return max(0, $this->onHand - array_sum(array_column($this->orders, 'aside')));
    }

    /** @return array{int, array{ordered: int, supplied: int, aside: int, cancelled: int}} one that is open */
    private function oneOf(): array
    {
        $open = array_keys(array_filter(
            $this->orders,
            static fn (array $order): bool => $order['ordered'] > $order['supplied'] + $order['cancelled'],
        ));
        $id = $open === [] ? throw Refused::because('none', '') : $open[$this->random->getInt(0, count($open) - 1)];

        return [$id, $this->orders[$id]];
    }

    private function assertAgrees(string $when): void
    {
        $of = static fn (mixed $decimal): int => BigDecimal::of((string) $decimal)->toInt();
        $there = [];

        foreach (DB::table('order_lines')->orderBy('agreement_id')->get() as $row) {
            $there[(int) $row->agreement_id] = [
                'supplied' => $of($row->supplied),
                'aside' => $of($row->aside),
                'waits' => $of($row->missing),
            ];
        }

        $this->assertSame(array_map(fn (array $order): array => [
            'supplied' => $order['supplied'], 'aside' => $order['aside'], 'waits' => $this->waits($order),
        ], $this->orders), $there, $when);
        $stock = DB::table('stock')
            ->where('item_id', $this->hook()->id)
            ->where('location_id', $this->at->location_id)
            ->first();
        $this->assertSame(
            [$this->onHand, array_sum(array_column($this->orders, 'aside'))],
            [$of($stock?->on_hand), $of($stock?->committed)],
            $when,
        );
    }

    private function version(int $id): int
    {
        return Order::query()->findOrFail($id)->version;
    }

    private function hook(): Item
    {
        return $this->item('LH-1140');
    }

    private function act(?int $version = null): Act
    {
        return new Act((string) Str::uuid(), $this->staff('901'), $this->at, $version);
    }
}
