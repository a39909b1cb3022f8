<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\TillSession;
use Illuminate\Database\Eloquent\Collection;

/** Which days of a month are open, closed, or without trade, location by location. */
final class Calendar
{
    private const HISTORY = 12;

    public function __construct(private readonly House $house)
    {
    }

    public function of(CarbonImmutable $first): CalendarMonth
    {
        $last = $first->endOfMonth()->startOfDay();
        $traded = [];

        foreach (
            Document::query()
                ->toBase()
                ->whereBetween('business_date', [$first->format('Y-m-d'), $last->format('Y-m-d')])
                ->groupBy('location_id', 'business_date')
                ->selectRaw('location_id, business_date, COUNT(*) AS n')
                ->get() as $row
        ) {
            $traded[(int) $row->location_id][(string) $row->business_date] = (int) $row->n;
        }

        $locations = Location::query()->orderBy('id')->get();
        $today = ShopTime::today();
        $open = TillSession::query()->with('till')->where('unclosed', true)->orderBy('id')->get();
        $days = [];

        for ($day = $first; $day->lessThanOrEqualTo($last); $day = $day->addDay()) {
            foreach ($locations as $location) {
                $count = $traded[$location->id][$day->format('Y-m-d')] ?? 0;
                $days[$day->format('Y-m-d')][$location->id] = match (true) {
                    $day->lessThanOrEqualTo($location->closed_through) => new CalendarDay('closed', $count),
                    $day->greaterThan($today) => new CalendarDay('to come', 0),
                    $count === 0 && $day->lessThan($today) => new CalendarDay('no trade', 0),
                    default => new CalendarDay('open', $count),
                };
            }
        }

        return new CalendarMonth(
            $first,
            $locations,
            $days,
            $this->house->shop()->months_closed_through?->greaterThanOrEqualTo($last) === true,
            $open,
        );
    }

    /** @return Collection<int, Closing> what was opened again, last first */
    public function history(): Collection
    {
        return Closing::query()
            ->with(['closer', 'reopener'])
            ->whereNotNull('reopened_at')
            ->orderByDesc('reopened_at')
            ->limit(self::HISTORY)
            ->get();
    }
}
