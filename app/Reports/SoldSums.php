<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Books\Figures\SoldDays;
use Illuminate\Support\Collection;
use stdClass;

/** What was sold, by something: from the sums of days, or from the lines where it is asked for more narrowly. */
final readonly class SoldSums
{
    public function __construct(private SoldDays $days)
    {
    }

    /**
     * @param  string  $by day, week, month, weekday, hour, department, item, customer or location
     * @return Collection<int, stdClass> place, net, gross, cost, tax, quantity, sales, returns, last
     */
    public function by(string $by, Asked $asked): Collection
    {
        if (! $asked->isNarrow()) {
            return $this->days->by($by, $asked->period, $asked->location);
        }

        $place = SoldDays::place($by, $asked->period);

        return SoldLines::lines($asked)
            ->groupByRaw($place)
            ->orderByRaw($place)
            ->selectRaw("{$place} AS place, MAX(d.business_date) AS last, ".SoldDays::OF_LINES)
            ->get();
    }

    /** Net of all of it, in minor units. */
    public function net(Asked $asked): int
    {
        return (int) $this->by('location', $asked)->sum(static fn (stdClass $row): int => (int) $row->net);
    }
}
