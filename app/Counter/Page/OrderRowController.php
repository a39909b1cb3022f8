<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Parts\SupplyFromSlip;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Orders\Order;
use Elmstone\Shop\House;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The rows of orders that something is paid on, or whose goods leave. */
final class OrderRowController
{
    public function __construct(
        private readonly CounterPage $page,
        private readonly SupplyFromSlip $supply,
        private readonly House $house,
    ) {
    }

    public function add(Request $request, string $slip, Order $order): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'entry',
            'entry',
            fn (Act $act): Slip => $this->supply->add($slip, $act, $order->load('customer.type.priceLevel')),
        );
    }

    /** From its page: a fresh slip with it. */
    public function begin(Request $request, Order $order): RedirectResponse
    {
        $slip = (string) Str::uuid();
        $this->supply->add($slip, $this->page->act($request), $order->load('customer.type.priceLevel'));

        return redirect()->route('counter.show', $slip);
    }

    public function amount(Request $request, string $slip, Order $order): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "order.{$order->id}",
            'amount',
            fn (Act $act): Slip => $this->supply->amount(
                $slip,
                $act,
                $order->id,
                $this->house->typedMoney($request->string('amount')->value()),
            ),
        );
    }

    public function quantity(Request $request, string $slip, Order $order, int $line): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "order.{$order->id}.line.{$line}",
            'quantity',
            fn (Act $act): Slip => $this->supply->quantity(
                $slip,
                $act,
                $order->id,
                $line,
                $request->string('quantity')->value(),
            ),
        );
    }

    public function serials(Request $request, string $slip, Order $order, int $line): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "order.{$order->id}.serials.{$line}",
            'serials',
            fn (Act $act): Slip => $this->supply->serials(
                $slip,
                $act,
                $order->id,
                $line,
                $request->string('serials')->value(),
            ),
        );
    }

    public function drop(Request $request, string $slip, Order $order): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "order.{$order->id}",
            'amount',
            fn (Act $act): Slip => $this->supply->drop($slip, $act, $order->id),
        );
    }
}
