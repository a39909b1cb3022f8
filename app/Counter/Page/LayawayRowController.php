<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Layaways\Layaway;
use Elmstone\Shop\House;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The rows of layaways that something is paid on, or whose goods leave. */
final class LayawayRowController
{
    public function __construct(
        private readonly CounterPage $page,
        private readonly PayLayaway $pay,
        private readonly House $house,
    ) {
    }

    public function add(Request $request, string $slip, Layaway $layaway): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'entry',
            'entry',
            fn (Act $act): Slip => $this->pay->add($slip, $act, $layaway->load('customer.type.priceLevel')),
        );
    }

    /** From its page: a fresh slip with a payment on it. */
    public function begin(Request $request, Layaway $layaway): RedirectResponse
    {
        $slip = (string) Str::uuid();
        $this->pay->add($slip, $this->page->act($request), $layaway->load('customer.type.priceLevel'));

        return redirect()->route('counter.show', $slip);
    }

    public function amount(Request $request, string $slip, Layaway $layaway): Response
    {
        $field = "layaway.{$layaway->id}";

        return $this->page->after(
            $request,
            $slip,
            $field,
            'amount',
            fn (Act $act): Slip => $this->pay->amount(
                $slip,
                $act,
                $layaway->id,
                $this->house->typedMoney($request->string('amount')->value()),
            ),
        );
    }

    public function leaves(Request $request, string $slip, Layaway $layaway): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "layaway.{$layaway->id}",
            'leaves',
            fn (Act $act): Slip => $this->pay->leaves($slip, $act, $layaway->id, $request->boolean('leaves')),
        );
    }

    /** Which pieces leave, asked where the goods are handed over. */
    public function serials(Request $request, string $slip, Layaway $layaway, int $line): Response
    {
        $typed = $request->string('serials')->value();

        return $this->page->after(
            $request,
            $slip,
            "layaway.{$layaway->id}.serials.{$line}",
            'serials',
            fn (Act $act): Slip => $this->pay->serials($slip, $act, $layaway->id, $line, $typed),
        );
    }

    public function drop(Request $request, string $slip, Layaway $layaway): Response
    {
        return $this->page->after(
            $request,
            $slip,
            "layaway.{$layaway->id}",
            'amount',
            fn (Act $act): Slip => $this->pay->drop($slip, $act, $layaway->id),
        );
    }
}
