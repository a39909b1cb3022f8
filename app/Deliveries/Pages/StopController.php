<?php

declare(strict_types=1);

namespace Elmstone\Deliveries\Pages;

use Elmstone\Deliveries\Board;
use Elmstone\Deliveries\EndStop;
use Elmstone\Deliveries\Stop;
use Elmstone\Deliveries\StopState;
use Elmstone\Deliveries\Vehicle;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What the driver has in hand: the run of the day, and each stop with what became of it. */
final class StopController
{
    public function __construct(
        private readonly Board $board,
        private readonly EndStop $end,
        private readonly AtTill $atTill,
    ) {
    }

    public function run(Request $request, Vehicle $vehicle, #[CurrentUser] Staff $by): View
    {
        $typed = $request->string('day')->value();
        $day = TypedDate::of($typed) ?? ShopTime::today();
        $till = $this->atTill->till();
        $stops = $this->board->stops($till->location_id, $day, $vehicle->id);

        return view('deliveries.run', [
            'vehicle' => $vehicle,
            'day' => $day,
            'stops' => $stops,
            'loads' => $stops->mapWithKeys(fn (Stop $stop): array => [
                $stop->id => $this->board->load($stop->order, $till, $by, $day),
            ]),
        ]);
    }

    public function show(Stop $stop, #[CurrentUser] Staff $by): View
    {
        $stop->load([
            'vehicle', 'document', 'order.customer', 'order.location', 'order.progress', 'order.picks',
            'order.allLines.item', 'order.entries',
        ]);

        return view('deliveries.stop', [
            'stop' => $stop,
            'load' => $this->board->load($stop->order, $this->atTill->till(), $by, ShopTime::today()),
            'isPlanned' => $stop->state === StopState::Planned,
        ]);
    }

    public function delivered(DeliveryRequest $request, Stop $stop, #[CurrentUser] Staff $by): RedirectResponse
    {
        $ended = $request->saidAtItsField(fn (): Stop => $this->end->delivered(
            $stop->id,
            $request->integer('version'),
            $request->taken(),
            $request->string('why')->trim()->value(),
            $request->string('name')->trim()->value(),
            $request->string('signature')->trim()->value(),
            $this->atTill->till(),
            $by,
        ));

        return self::toRun($stop)->with('done', $ended->document_id === null
            ? "{$stop->order->label} is delivered. Its invoice is still to be made: {$ended->not_invoiced}"
            : "{$stop->order->label} is delivered and invoiced.");
    }

    public function failed(DeliveryRequest $request, Stop $stop, #[CurrentUser] Staff $by): RedirectResponse
    {
        $request->saidAtItsField(fn (): Stop => $this->end->failed(
            $stop->id,
            $request->integer('version'),
            $request->string('why')->trim()->value(),
            $by,
        ));

        return self::toRun($stop)->with('done', "{$stop->order->label} comes back, and waits for another lorry.");
    }

    /** The invoice of what was delivered, tried again. */
    public function invoice(Stop $stop, #[CurrentUser] Staff $by): RedirectResponse
    {
        $ended = $stop->state === StopState::Delivered && $stop->document_id === null
            ? $this->end->invoice($stop, $this->atTill->till(), $by)
            : $stop;

        return redirect()->route('deliveries')->with('done', $ended->document_id === null
            ? "No invoice yet: {$ended->not_invoiced}"
            : "{$stop->order->label} is invoiced.");
    }

    private static function toRun(Stop $stop): RedirectResponse
    {
        return redirect()->route('deliveries.run', [$stop->vehicle_id, 'day' => $stop->day->format('Y-m-d')]);
    }
}
