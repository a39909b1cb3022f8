<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\BigDecimal;
use Closure;
use Elmstone\Books\Proof\Prove;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\HoldSlip;
use Elmstone\Counter\Parts\SupplyFromSlip;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Customers\Customer;
use Elmstone\Orders\Order;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\Receiving\Arrived;
use Elmstone\Purchasing\Receiving\Receive;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Purchasing\Transfers\SendGoods;
use Elmstone\Purchasing\Transfers\SentLine;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\StandIn\ComposeOrder;
use Elmstone\WebOrders\StandIn\WebShopMood;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Eight tills at the last piece, at one order, at one delivery. */
final class OrderRaceTest extends RaceCase
{
    use OrderActs;

    private Randomizer $chance;

    private Staff $by;

    private Till $till;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('100000.00', 'Firm One');
        DB::table('customers')->update(['phone' => '555 0100']);
        $this->customer->load('type.priceLevel');
        $this->chance = new Randomizer(new Mt19937(7));
        $this->by = $this->staff('901');
        $this->till = Till::query()->with('location.taxProfile.components')->findOrFail(1);
        // Of the fifty that are there three are left.
        $this->sale('47 x LH-1140');
    }

    public function test_the_last_pieces_are_promised_to_as_many_as_there_are(): void
    {
        $there = (int) DB::table('stock')->where('item_id', $this->hook()->id)->sum('on_hand');
        $this->assertSame(3, $there);
        $this->told(function (int $number): string {
            match ($number % 4) {
                0 => $this->order($this->customer),
                1 => $this->layaway(),
                2 => $this->transfer(),
                default => $this->sale(),
            };

            return 'done';
        });
        $row = DB::table('stock')->where('item_id', $this->hook()->id)->first();
        $gone = 3 - (int) $row?->on_hand;
        $sold = (int) DB::table('document_lines')
            ->join('documents', 'documents.id', '=', 'document_lines.document_id')
            ->where('documents.purpose', 'sale')
            ->where('document_lines.item_id', $this->hook()->id)
            ->sum('document_lines.quantity') - 47;
        $this->assertSame($gone, $sold + (int) DB::table('transfer_lines')->sum('quantity'));
        $aside = (int) DB::table('order_lines')->sum('aside');
        $laid = (int) DB::table('commitments')
            ->join('agreements', 'agreements.id', '=', 'commitments.agreement_id')
            ->where('agreements.kind', 'layaway')
            ->sum('quantity');
        // Who has a piece in their hand can buy it, also where by the books there is none and nobody's is promised.
        $beyond = max(0, -(int) $row?->on_hand);
        $this->assertLessThanOrEqual($sold, $beyond);
        // What is promised or sent away was there: of the three pieces no more than three.
        $this->assertLessThanOrEqual(3, $aside + $laid + (int) DB::table('transfer_lines')->sum('quantity'));
        $this->assertSame(
            3 + $beyond,
            $gone + $aside + $laid + max(0, (int) $row?->on_hand - (int) $row?->committed),
        );
        // What orders do not get waits; nobody else’s goods are handed out for it.
        $this->assertSame(2, $aside + (int) DB::table('order_lines')->sum('missing'));
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_one_order_is_supplied_once(): void
    {
        $this->order($this->customer);
        $order = $this->anyOrder();
        $told = $this->told(function (int $number) use ($order): string {
            $number % 2 === 0 ? $this->supplies($order) : $this->fetchAt($order);

            return 'supplied';
        });
        $this->assertSame(1, $told['supplied'] ?? 0, json_encode($told, JSON_THROW_ON_ERROR));
        $this->assertSame(1, DB::table('documents')->where('supplies', $order->label)->count());
        $this->assertSame('supplied', $order->refresh()->state->value);
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_one_delivery_is_counted_in_once(): void
    {
        $this->aSupplier();
        $desk = app(PurchaseDesk::class);
        $made = $desk->make(
            Supplier::query()->firstOrFail(),
            $this->till->location,
            [new BuyLine($this->hook(), Quantity::of('5'), UnitPrice::of('1.50'))],
            null,
            $this->by,
            (string) Str::uuid(),
        );
        $sent = $desk->send($made->id, $made->version)->load('lines.item');
        $key = (string) Str::uuid();
        $told = $this->told(
            fn (int $number): string => (string) $this->countIn($sent, $number < 4 ? $key : (string) Str::uuid()),
        );
        unset($told['changed_elsewhere'], $told['not_sent']);
        $this->assertCount(1, $told, 'All that were not refused are answered with the one document.');
        $this->assertSame(8, (int) DB::table('stock')->where('item_id', $this->hook()->id)->sum('on_hand'));
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /** Eight at once, and again: by their number it is one order; what says otherwise under it is refused. */
    public function test_a_web_order_that_is_sent_ten_times_at_once_is_one_order(): void
    {
        $sender = Sender::query()->create([
            'code' => 'SHOP', 'name' => 'Web shop', 'way' => 'parcel', 'active' => true, 'token_hash' => null,
            'token_end' => '', 'customer_id' => null, 'location_id' => $this->till->location_id,
            'staff_id' => $this->by->id,
        ]);
        $compose = app(ComposeOrder::class);
        $xml = fn (string $number, WebShopMood $mood = WebShopMood::Right): string => $compose->of(
            $number, $this->customer, [[$this->hook(), Quantity::of('2')]], false, $mood,
        );
        [$same, $other] = [$xml('W-1'), $xml('W-1', WebShopMood::SameNumber)];
        $send = static fn (string $one): string => (string) app(ReceiveWebOrder::class)
            ->handle($sender->load(['location', 'staff']), $one, 'address')->agreement_id;
        $told = $this->told(static function (int $number) use ($send, $same, $other, $xml): string {
            $send($xml("W-{$number}-own"));

            return $number === 7 ? $send($other) : $send($same);
        });
        $again = $this->told(static fn (int $number): string => $send($number === 7 ? $other : $same));
        unset($told['sent_before'], $again['sent_before']);
        $this->assertCount(1, $told, json_encode($told, JSON_THROW_ON_ERROR));
        $this->assertSame(array_keys($told), array_keys($again));
        $this->assertSame(9, Order::query()->count());
        $this->assertSame(3, (int) DB::table('order_lines')->sum('aside'), 'as many as there are');
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /**
     * @param  Closure(int): string  $do
     * @return array<string, int> how often each was answered
     */
    private function told(Closure $do): array
    {
        $file = tempnam(sys_get_temp_dir(), 'told') ?: '';
        $this->atOnce(static function (int $number) use ($do, $file): void {
            try {
                $said = $do($number);
            } catch (Refused $refused) {
                $said = $refused->rule;
            }

            file_put_contents($file, "{$said}\n", FILE_APPEND | LOCK_EX);
        });
        $told = array_count_values(file($file, FILE_IGNORE_NEW_LINES) ?: []);
        unlink($file);

        return $told;
    }

    private function countIn(Purchase $sent, string $key): int
    {
        return app(Receive::class)->handle(
            $sent->id,
            $sent->version,
            [new Arrived(1, $this->hook(), BigDecimal::of('5'), null, BigDecimal::zero())],
            Money::zero(Currency::of('USD')),
            '',
            $this->till,
            $this->by,
            $key,
        )->document;
    }

    private function fetchAt(Order $order): void
    {
        $slip = (string) Str::uuid();
        app(SupplyFromSlip::class)->add($slip, $this->mine(), $order);
        $this->paid($slip);
    }

    private function sale(string $entry = 'LH-1140'): void
    {
        $slip = (string) Str::uuid();
        $this->goods($slip, $entry);
        $this->paid($slip);
    }

    private function layaway(): void
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->mine(), $this->customer);
        $this->goods($slip);
        app(HoldSlip::class)->begin($slip, $this->mine(), Money::of('2.00', Currency::of('USD')));
        $this->paid($slip);
    }

    private function transfer(): void
    {
        app(SendGoods::class)->handle(
            Location::query()->whereKeyNot($this->till->location_id)->orderBy('id')->firstOrFail(),
            [new SentLine($this->hook(), Quantity::of('1'))],
            null,
            '',
            $this->till,
            $this->by,
            (string) Str::uuid(),
        );
    }

    private function goods(string $slip, string $entry = 'LH-1140'): void
    {
        app(AddToSlip::class)->handle($slip, $this->mine(), $entry);
    }

    private function paid(string $slip): void
    {
        $read = app(SlipDesk::class)->read($slip, $this->mine());
        $owed = ReckonedCounter::of($read, app(House::class))->outstanding();
        $read = $owed->isPositive()
            ? app(CountTender::class)->cash($slip, $this->mine(), Money::of('500.00', Currency::of('USD')))
            : $read;
        app(PostSale::class)->handle($slip, $this->mine($read->version));
    }

    private function hook(): Item
    {
        return Item::query()->where('code', 'LH-1140')->firstOrFail();
    }

    private function mine(?int $version = null): Act
    {
        return new Act((string) Str::uuid(), $this->by, $this->till, $version);
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private function pick(array $of): mixed
    {
        return $of[$this->chance->getInt(0, count($of) - 1)];
    }
}
