<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Carbon\CarbonImmutable;

/** What a sheet or file of takings comes to, and what is wrong in it. */
final readonly class TakingsReport
{
    /**
     * @param  list<SoldRow>  $rows that are right and new
     * @param  array<int, string>  $before what each row was posted as that was entered before, by line
     * @param  array<int, string>  $complaints what is wrong, by line
     */
    public function __construct(public array $rows, public array $before, public array $complaints)
    {
    }

    public function isFine(): bool
    {
        return $this->complaints === [] && $this->rows !== [];
    }

    /** @return list<CarbonImmutable> the days they are of */
    public function days(): array
    {
        $days = [];

        foreach ($this->rows as $row) {
            $days[$row->day->format('Y-m-d')] = $row->day;
        }

        ksort($days);

        return array_values($days);
    }
}
