<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Carbon\CarbonImmutable;
use Elmstone\Shop\Location;
use Elmstone\Tills\TillSession;
use Illuminate\Database\Eloquent\Collection;

/** A month as the calendar shows it. */
final readonly class CalendarMonth
{
    /**
     * @param  Collection<int, Location>  $locations
     * @param  array<string, array<int, CalendarDay>>  $days by date and location
     * @param  Collection<int, TillSession>  $open sessions that are not closed
     */
    public function __construct(
        public CarbonImmutable $first,
        public Collection $locations,
        public array $days,
        public bool $isClosed,
        public Collection $open,
    ) {
    }

    /** @return list<list<string|null>> weeks of seven dates, Monday first; null: of another month */
    public function weeks(): array
    {
        $cells = array_fill(0, $this->first->dayOfWeekIso - 1, null);
        $cells = [...$cells, ...array_keys($this->days)];

        return array_map(
            static fn (array $week): array => array_pad($week, 7, null),
            array_chunk($cells, 7),
        );
    }
}
