<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\Picking\Pick;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/** Gives orders to vehicles and days, and puts their stops in order. */
final class PlanStops
{
    public function __construct(private readonly OrderTerms $terms)
    {
    }

    /**
     * At the end of what the vehicle does on that day.
     *
     * @throws Refused day_past, wanted_closed, vehicle_gone, nothing_to_bring, no_address, planned_already
     */
    public function put(Order $order, Vehicle $vehicle, CarbonImmutable $day): Stop
    {
        $this->assertFits($order, $vehicle, $day);

        try {
            return DB::transaction(static function () use ($order, $vehicle, $day): Stop {
                self::hold($vehicle);

                return Stop::query()->create([
                    'agreement_id' => $order->id,
                    'vehicle_id' => $vehicle->id,
                    'day' => $day,
                    'sequence' => 1 + (int) self::run($vehicle->id, $day)->max('sequence'),
                    'state' => StopState::Planned,
                    'version' => 1,
                ]);
            }, 3);
        } catch (UniqueConstraintViolationException) {
            throw Refused::because('planned_already', "{$order->label} is on a lorry already.");
        }
    }

    /**
     * Earlier or later among the stops of its vehicle.
     *
     * @param  int  $by places: below zero is earlier
     *
     * @throws Refused not_found, changed_elsewhere, ended_already
     */
    public function move(int $stop, int $version, int $by): Stop
    {
        return DB::transaction(static function () use ($stop, $version, $by): Stop {
            $moved = self::planned($stop, $version);
            $run = array_values(self::run($moved->vehicle_id, $moved->day)->orderBy('sequence')->orderBy('id')
                ->lockForUpdate()->pluck('id')->all());
            $at = (int) array_search($moved->id, $run, true);
            array_splice($run, $at, 1);
            array_splice($run, max(0, min(count($run), $at + $by)), 0, [$moved->id]);

            foreach ($run as $place => $id) {
                DB::table('stops')->where('id', $id)->update(['sequence' => $place + 1]);
            }

            return self::changed($moved);
        }, 3);
    }

    /**
     * On another vehicle or another day, at its end.
     *
     * @throws Refused not_found, changed_elsewhere, ended_already, day_past, wanted_closed, vehicle_gone
     */
    public function give(int $stop, int $version, Vehicle $vehicle, CarbonImmutable $day): Stop
    {
        $this->assertDay($vehicle, $day);

        return DB::transaction(static function () use ($stop, $version, $vehicle, $day): Stop {
            $moved = self::planned($stop, $version);
            self::hold($vehicle);
            $moved->forceFill([
                'sequence' => 1 + (int) self::run($vehicle->id, $day)->where('id', '!=', $stop)->max('sequence'),
                'vehicle_id' => $vehicle->id,
                'day' => $day,
            ]);

            return self::changed($moved);
        }, 3);
    }

    /** @throws Refused not_found, changed_elsewhere, ended_already */
    public function takeOff(int $stop, int $version): void
    {
        DB::transaction(static fn (): ?bool => self::planned($stop, $version)->delete(), 3);
    }

    private static function planned(int $stop, int $version): Stop
    {
        $locked = Stop::lock($stop, $version);

        return $locked->state === StopState::Planned
            ? $locked
            : throw Refused::because('ended_already', "This stop is {$locked->state->words()} already.");
    }

    private static function changed(Stop $stop): Stop
    {
        $stop->forceFill(['version' => $stop->version + 1])->save();

        return $stop;
    }

    /** Two people who give stops to one vehicle do so one after the other. */
    private static function hold(Vehicle $vehicle): void
    {
        Vehicle::query()->whereKey($vehicle->id)->lockForUpdate()->value('id');
    }

    /** @return \Illuminate\Database\Query\Builder */
    private static function run(int $vehicle, CarbonImmutable $day)
    {
        return DB::table('stops')->where('vehicle_id', $vehicle)->where('day', $day->format('Y-m-d'));
    }

    private function assertFits(Order $order, Vehicle $vehicle, CarbonImmutable $day): void
    {
        $this->assertDay($vehicle, $day);
        $order->isOpen()
            || throw Refused::because('not_open', "{$order->label} is {$order->state->value} already.");
        Pick::assertNothingTaken($order);
        Load::leaving($order, $vehicle->location_id)->isEmpty() && throw Refused::because(
            'nothing_to_bring',
            "Nothing of {$order->label} that is to be brought is set aside here.",
        );
        $order->deliver_to === ''
            && throw Refused::because('no_address', "{$order->label} has no address. Type it on the order first.");
    }

    private function assertDay(Vehicle $vehicle, CarbonImmutable $day): void
    {
        $day->lessThan(ShopTime::today())
            && throw Refused::because('day_past', Show::date($day).' is past.');
        $this->terms->assertMayBeWanted($day, ShopTime::today());
        $vehicle->active || throw Refused::because('vehicle_gone', "{$vehicle->name} is not used any more.");
    }
}
