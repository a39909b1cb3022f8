<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Brick\Math\BigDecimal;
use Closure;
use Elmstone\Core\Money\Refused;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderPaper;
use Elmstone\Orders\Picking\PickOrder;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The picking list on a phone or at the counter: each scan is answered with the list as it stands then. */
final class PickController
{
    public function __construct(private readonly PickOrder $pick, private readonly AtTill $atTill)
    {
    }

    public function show(Order $order): View
    {
        return view('orders.pick', $this->data($order));
    }

    public function scan(Request $request, Order $order): Response
    {
        $request->validate(['act' => ['required', 'uuid'], 'scanned' => ['required', 'string', 'max:60']]);

        return $this->answered($order, fn (): int => $this->pick->scan(
            $order->id,
            $request->string('scanned')->trim()->value(),
            $this->atTill->till()->location,
            $request->string('act')->value(),
        ));
    }

    public function count(Request $request, Order $order, int $position): Response
    {
        $request->validate(['act' => ['required', 'uuid'], 'quantity' => ['nullable', 'string', 'max:2000']]);

        return $this->answered($order, function () use ($request, $order, $position): int {
            $this->pick->count(
                $order->id,
                $position,
                $request->string('quantity')->value(),
                $request->string('act')->value(),
            );

            return $position;
        });
    }

    public function finish(Order $order, OrderPaper $paper, #[CurrentUser] Staff $by): RedirectResponse
    {
        $short = $this->pick->finish($order->id, $this->atTill->till()->location, $by);
        $paper->printLabel($order->refresh(), $this->atTill->till());
        $order->load('allLines');
        $words = array_map(
            static fn (int $position, BigDecimal $quantity): string => Show::decimal($quantity)
                ." × {$order->line($position)?->description}",
            array_keys($short),
            $short,
        );

        return redirect()->route('orders.show', $order)->with(
            'done',
            $words === []
                ? 'All of it is picked, and its label is printed.'
                : 'It is picked, and its label is printed. Short, and waiting again: '.implode(', ', $words).'.',
        );
    }

    /** @param  Closure(): int  $do the line it was about */
    private function answered(Order $order, Closure $do): Response
    {
        try {
            [$position, $refused] = [$do(), null];
        } catch (Refused $complaint) {
            [$position, $refused] = [null, $complaint];
        }

        return response(
            view('orders.parts.pick-list', [
                ...$this->data($order->refresh()),
                'refused' => $refused,
                'picked' => $position,
            ])->render(),
            $refused === null ? 200 : 422,
            ['X-Sound' => $refused === null ? 'taken' : 'refused'],
        );
    }

    /** @return array<string, mixed> */
    private function data(Order $order): array
    {
        $order->load(['customer', 'location', 'progress', 'allLines.item', 'picks']);

        return [
            'order' => $order,
            'here' => $this->atTill->till()->location,
            'refused' => null,
            'picked' => null,
        ];
    }
}
