<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Customers\Customer;
use Elmstone\Orders\Order;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Orders taken at the counter and goods bought for them, as people do. LH-1140 comes to 4.24 with tax. */
trait Ordering
{
    use Accounts;

    protected ?Customer $customer = null;

    /**
     * A slip with the customer and goods, to become an order.
     *
     * @param  array<string, string>  $terms typed one after the other
     */
    protected function readyToOrder(array $terms, string ...$entries): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add(...$entries);
        $this->does('order')->assertOk();

        foreach ($terms as $name => $typed) {
            $this->does('order/terms', [$name => $typed])->assertOk();
        }
    }

    /** @param  array<string, string>  $terms */
    protected function order(array $terms, string ...$entries): Order
    {
        $this->readyToOrder($terms, ...$entries);
        ($terms['deposit'] ?? '0') === '0' || $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();

        return $this->theOrder((int) $this->slip()->agreement_id);
    }

    protected function theOrder(int $id): Order
    {
        return Order::query()
            ->with(['progress', 'allLines.item', 'entries', 'changesMade', 'customer'])
            ->findOrFail($id);
    }

    /** @return TestResponse<Response> of adding the order to a fresh slip */
    protected function scans(Order $order): TestResponse
    {
        $this->slip = (string) Str::uuid();

        return $this->does('add', ['entry' => $order->label, 'version' => '']);
    }

    /**
     * @param  array<int, string>  $quantities by position
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    protected function supplies(Order $order, array $quantities, array $more = []): TestResponse
    {
        return $this->post("/orders/{$order->label}/supply", [
            'version' => (string) $this->theOrder($order->id)->version,
            'key' => (string) Str::uuid(),
            'quantity' => $quantities,
            ...$more,
        ])->assertRedirect();
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<Response>
     */
    protected function changes(Order $order, string $how, array $fields): TestResponse
    {
        return $this->post("/orders/{$order->label}/{$how}", [
            'version' => (string) $this->theOrder($order->id)->version,
            ...$fields,
        ])->assertRedirect();
    }

    protected function supplier(string $code = 'NORTH', string $mail = 'orders@northgate.example'): Supplier
    {
        return Supplier::query()->firstOrCreate(['code' => $code], [
            'name' => "{$code} Stone Works", 'mail' => $mail, 'phone' => '', 'street' => '3 Kiln Road',
            'postcode' => '', 'town' => 'Ashby Weir', 'our_number' => '', 'lead_days' => 7, 'active' => true,
            'version' => 1,
        ]);
    }

    protected function item(string $code): Item
    {
        return Item::query()->where('code', $code)->firstOrFail();
    }

    /** Sent to the supplier: so many of items, each at a cost. */
    protected function bought(string ...$lines): Purchase
    {
        $desk = app(PurchaseDesk::class);
        $buys = array_map(function (string $line): BuyLine {
            [$many, $code, $cost] = explode(' ', $line);

            return new BuyLine($this->item($code), Quantity::of($many), UnitPrice::of($cost));
        }, $lines);
        $purchase = $desk->make(
            $this->supplier(),
            Location::query()->where('code', 'HF')->firstOrFail(),
            $buys,
            null,
            Staff::query()->where('number', '301')->firstOrFail(),
            (string) Str::uuid(),
        );

        return $desk->send($purchase->id, 1);
    }

    /**
     * @param  array<int, string>  $quantities by position
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    protected function receives(Purchase $purchase, array $quantities, array $more = []): TestResponse
    {
        return $this->post("/purchases/{$purchase->label}/receive", [
            'key' => (string) Str::uuid(),
            'version' => (string) Purchase::query()->findOrFail($purchase->id)->version,
            'quantity' => $quantities,
            ...$more,
        ])->assertRedirect();
    }

    /** What of a line is where: supplied, set aside, bought for it or waiting, cancelled. */
    protected function line(Order $order, int $position = 1): string
    {
        $line = $this->theOrder($order->id)->at($position);

        return implode(' ', array_map(
            static fn (?string $one): string => (string) BigDecimal::of($one ?? '0')->stripTrailingZeros(),
            [$line?->supplied, $line?->aside, $line?->missing, $line?->cancelled],
        ));
    }
}
