<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Orders\Order;
use Elmstone\Orders\Picking\Pick;
use Elmstone\Orders\Supply\SupplyOrder;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Collection;

/** A day of deliveries from a place: each vehicle with its stops in order, and the orders that are on none yet. */
final class Board
{
    /** So many orders that wait for a lorry are shown. */
    private const WAITING = 60;

    private const ORDER = ['customer', 'location', 'progress', 'picks', 'allLines.item', 'entries'];

    public function __construct(private readonly SupplyOrder $supply)
    {
    }

    /** @return Collection<int, Vehicle> */
    public static function vehicles(int $location): Collection
    {
        return Vehicle::query()->where('location_id', $location)->where('active', true)->orderBy('name')->get();
    }

    /** @return Collection<int, Stop> in the order of each vehicle */
    public function stops(int $location, CarbonImmutable $day, ?int $vehicle = null): Collection
    {
        return Stop::query()
            ->with(['document', ...array_map(static fn (string $one): string => "order.{$one}", self::ORDER)])
            ->whereIn('vehicle_id', Vehicle::query()->where('location_id', $location)->select('id'))
            ->when($vehicle !== null, static fn ($query) => $query->where('vehicle_id', $vehicle))
            ->where('day', $day->format('Y-m-d'))
            ->orderBy('vehicle_id')
            ->orderBy('sequence')
            ->orderBy('id')
            ->get();
    }

    /** @return Collection<int, Order> those wanted first that no lorry has */
    public function waiting(int $location): Collection
    {
        $ids = Order::toBring($location)
            ->whereNotIn('id', Stop::query()->where('state', StopState::Planned)->select('agreement_id'))
            ->whereNotIn('id', Pick::query()->where('taken', true)->select('agreement_id'))
            ->limit(self::WAITING)
            ->pluck('id');

        return Order::query()
            ->with(self::ORDER)
            ->whereIn('id', $ids)
            ->orderBy('wanted_by')
            ->orderBy('id')
            ->get();
    }

    public function load(Order $order, Till $till, Staff $by, CarbonImmutable $day): Load
    {
        return Load::of($order, $till->location_id, $this->supply, PostedAt::till($till, $by->id, $day));
    }

    /** @param  iterable<Load>  $loads */
    public static function weight(iterable $loads): BigDecimal
    {
        $sum = BigDecimal::zero();

        foreach ($loads as $load) {
            $sum = $sum->plus($load->weight);
        }

        return $sum->stripTrailingZeros();
    }
}
