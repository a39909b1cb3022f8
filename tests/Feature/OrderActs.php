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
use Elmstone\Counter\Parts\MakeOrder;
use Elmstone\Counter\Parts\SupplyFromSlip;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Customers\Customer;
use Elmstone\Orders\ChangeOrder;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderChange;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Orders\Supply\SupplyInOffice;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\Receiving\Arrived;
use Elmstone\Purchasing\Receiving\Receive;
use Elmstone\Purchasing\Suppliers\Supplier;
use Illuminate\Support\Str;

/** What tills and office do with orders, one of those there are at a time; “none” is refused where there is none. */
trait OrderActs
{
    protected function order(Customer $customer): void
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->mine(), $customer);
        $this->goods($slip);
        app(MakeOrder::class)->begin($slip, $this->mine());
        $this->paid($slip);
    }

    protected function anyOrder(): Order
    {
        return Order::query()
            ->with(['progress', 'allLines.item', 'entries', 'customer.type.priceLevel', 'location'])
            ->where('state', 'open')
            ->where('location_id', $this->till->location_id)
            ->inRandomOrder()
            ->first() ?? throw Refused::because('none', '');
    }

    /** One piece of each line that has any here, charged. */
    protected function supply(): void
    {
        $this->supplies($this->anyOrder());
    }

    protected function supplies(Order $order): int
    {
        return app(SupplyInOffice::class)->handle(
            $order->id,
            $order->version,
            Leaving::of(array_map(
                static fn (BigDecimal $ready): BigDecimal => $ready->isGreaterThan(1) ? BigDecimal::one() : $ready,
                $order->ready($this->till->location_id),
            )),
            $this->till,
            $this->by,
            (string) Str::uuid(),
        );
    }

    /** All that is here leaves at the counter. */
    protected function fetch(): void
    {
        $slip = (string) Str::uuid();
        app(SupplyFromSlip::class)->add($slip, $this->mine(), $this->anyOrder());
        $this->paid($slip);
    }

    protected function alter(): void
    {
        $order = $this->anyOrder();
        $item = Item::query()->where('code', $this->pick(['LH-1140', 'LH-1141', 'WA-0001']))->firstOrFail();
        app(ChangeOrder::class)->handle(
            $order->id,
            $order->version,
            new OrderChange(added: [[$item, Quantity::of('1')]]),
            $this->till,
            $this->by,
        );
    }

    protected function giveUp(): void
    {
        $order = $this->anyOrder();
        app(ChangeOrder::class)->handle(
            $order->id,
            $order->version,
            OrderChange::cancelling($order, 'not needed', true, null),
            $this->till,
            $this->by,
        );
    }

    /** Bought, sent and counted in at once: it goes to who waits first. */
    protected function receive(): void
    {
        $desk = app(PurchaseDesk::class);
        $items = Item::query()->whereIn('code', ['LH-1140', 'LH-1141'])->get()->all();
        $lines = [];

        foreach ($this->chance->shuffleArray($items) as $item) {
            $lines[] = new BuyLine($item, Quantity::of('2'), UnitPrice::of('1.50'));
        }

        $made = $desk->make(
            Supplier::query()->firstOrFail(), $this->till->location, $lines, null, $this->by, (string) Str::uuid(),
        );
        $sent = $desk->send($made->id, $made->version)->load('lines.item');
        app(Receive::class)->handle(
            $sent->id,
            $sent->version,
            $sent->lines
                ->map(static fn ($line): Arrived => new Arrived(
                    $line->position, $line->item, BigDecimal::of('2'), null, BigDecimal::zero(),
                ))
                ->all(),
            Money::zero(Currency::of('USD')),
            '',
            $this->till,
            $this->by,
            (string) Str::uuid(),
        );
    }

    protected function aSupplier(): Supplier
    {
        return Supplier::query()->create([
            'code' => 'NORTH', 'name' => 'Northgate Stone Works', 'mail' => '', 'phone' => '',
            'street' => '3 Kiln Road',
            'postcode' => '', 'town' => 'Ashby Weir', 'our_number' => '', 'lead_days' => 7, 'active' => true,
            'version' => 1,
        ]);
    }
}
