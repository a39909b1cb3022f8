<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Parts\MakeOrder;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The slip as an order: how and when, deposit, freight, signature. */
final class OrderController
{
    private const TERMS = [
        'way', 'source', 'from', 'wanted_on', 'wanted_when', 'is_charged', 'deposit', 'deliver_to', 'note', 'freight',
    ];

    public function __construct(private readonly CounterPage $page, private readonly MakeOrder $orders)
    {
    }

    public function begin(Request $request, string $slip): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'order',
            'order',
            fn (Act $act): Slip => $this->orders->begin($slip, $act),
        );
    }

    public function drop(Request $request, string $slip): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'order',
            'order',
            fn (Act $act): Slip => $this->orders->drop($slip, $act),
        );
    }

    public function terms(Request $request, string $slip): Response
    {
        $typed = $this->typed($request, self::TERMS);
        $name = (string) array_key_first($typed);

        return $this->page->after(
            $request,
            $slip,
            "order.{$name}",
            $name,
            fn (Act $act): Slip => $this->orders->terms($slip, $act, $typed),
        );
    }

    public function line(Request $request, string $slip, int $line): Response
    {
        $typed = $this->typed($request, ['way', 'from', 'aside']);
        $name = (string) array_key_first($typed);

        return $this->page->after(
            $request,
            $slip,
            "order.line.{$line}",
            $name,
            fn (Act $act): Slip => $this->orders->line($slip, $act, $line, $typed),
        );
    }

    public function sign(Request $request, string $slip): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'order.signature',
            'signed_by',
            fn (Act $act): Slip => $this->orders->sign(
                $slip,
                $act,
                $request->string('signature')->value(),
                $request->string('signed_by')->value(),
            ),
        );
    }

    /**
     * @param  list<string>  $names
     * @return array<string, string>
     */
    private function typed(Request $request, array $names): array
    {
        $typed = [];

        foreach ($names as $name) {
            $request->has($name) && ($typed[$name] = $request->string($name)->value());
        }

        return $typed;
    }
}
