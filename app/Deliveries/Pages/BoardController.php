<?php

declare(strict_types=1);

namespace Elmstone\Deliveries\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Deliveries\Board;
use Elmstone\Deliveries\Load;
use Elmstone\Deliveries\PlanStops;
use Elmstone\Deliveries\Stop;
use Elmstone\Deliveries\StopState;
use Elmstone\Deliveries\Vehicle;
use Elmstone\Orders\Order;
use Elmstone\Orders\Picking\Pick;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDate;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The board of a day: who is brought what, by which lorry, in which order. */
final class BoardController
{
    public function __construct(
        private readonly Board $board,
        private readonly PlanStops $plan,
        private readonly AtTill $atTill,
        private readonly House $house,
    ) {
    }

    public function index(Request $request, #[CurrentUser] Staff $by): View
    {
        $day = self::day($request->string('day')->value());
        $till = $this->atTill->till();
        $stops = $this->board->stops($till->location_id, $day);

        return view('deliveries.board', [
            'day' => $day,
            'today' => ShopTime::today(),
            'vehicles' => Board::vehicles($till->location_id),
            'stops' => $stops->groupBy('vehicle_id'),
            'loads' => $stops->mapWithKeys(fn (Stop $stop): array => [
                $stop->id => $this->board->load($stop->order, $till, $by, $day),
            ]),
            'waiting' => $this->board->waiting($till->location_id)->map(
                static fn (Order $order): Load => Load::weighed($order, $till->location_id),
            ),
            'open' => Stop::query()
                ->with('order.customer')
                ->where('state', StopState::Delivered)
                ->whereIn('vehicle_id', Vehicle::query()->where('location_id', $till->location_id)->select('id'))
                ->whereNull('document_id')
                ->whereIn('agreement_id', Pick::query()->where('taken', true)->select('agreement_id'))
                ->orderBy('id')
                ->limit(40)
                ->get(),
        ]);
    }

    public function put(DeliveryRequest $request): RedirectResponse
    {
        $order = Order::query()
            ->with(['progress', 'picks', 'allLines.item'])
            ->where('label', $request->string('order')->value())
            ->firstOrFail();
        $day = self::day($request->string('day')->value());
        $request->saidAtItsField(fn (): Stop => $this->plan->put($order, $this->vehicle($request), $day));

        return self::back($day);
    }

    public function move(DeliveryRequest $request, Stop $stop): RedirectResponse
    {
        $request->saidAtItsField(fn (): Stop => $this->plan->move(
            $stop->id,
            $request->integer('version'),
            $request->integer('by'),
        ));

        return self::back($stop->day);
    }

    public function give(DeliveryRequest $request, Stop $stop): RedirectResponse
    {
        $day = self::day($request->string('day')->value());
        $request->saidAtItsField(fn (): Stop => $this->plan->give(
            $stop->id,
            $request->integer('version'),
            $this->vehicle($request),
            $day,
        ));

        return self::back($stop->day);
    }

    public function takeOff(DeliveryRequest $request, Stop $stop): RedirectResponse
    {
        $request->saidAtItsField(function () use ($request, $stop): bool {
            $this->plan->takeOff($stop->id, $request->integer('version'));

            return true;
        });

        return self::back($stop->day);
    }

    /** The run of a lorry on paper. */
    public function sheet(Request $request, Vehicle $vehicle, Pdf $pdf, #[CurrentUser] Staff $by): Response
    {
        $day = self::day($request->string('day')->value());
        $till = $this->atTill->till();
        $stops = $this->board->stops($till->location_id, $day, $vehicle->id);
        $bytes = $pdf->a4(view('deliveries.paper.run-sheet', [
            'vehicle' => $vehicle,
            'day' => $day,
            'stops' => $stops,
            'shop' => $this->house->shop(),
            'loads' => $stops->mapWithKeys(fn (Stop $stop): array => [
                $stop->id => $this->board->load($stop->order, $till, $by, $day),
            ]),
        ])->render());

        return response($bytes, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"run-{$day->format('Y-m-d')}-{$vehicle->id}.pdf\"",
        ]);
    }

    private function vehicle(Request $request): Vehicle
    {
        return Vehicle::query()
            ->where('location_id', $this->atTill->till()->location_id)
            ->findOrFail($request->integer('vehicle'));
    }

    private static function day(string $typed): CarbonImmutable
    {
        return TypedDate::of($typed) ?? ShopTime::today();
    }

    private static function back(CarbonImmutable $day): RedirectResponse
    {
        return redirect()->route('deliveries', ['day' => $day->format('Y-m-d')]);
    }
}
