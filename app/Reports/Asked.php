<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Support\Report\Period;

/** How a report is asked for. */
final readonly class Asked
{
    /**
     * @param  string  $by what its rows are by
     * @param  string  $compare before, year, or nothing
     * @param  array{string, string}|null  $hours from and until on the shop's clock, HH:MM
     * @param  string  $sort the figure it is in the order of; empty: as it comes
     */
    public function __construct(
        public Period $period,
        public string $by,
        public string $compare = '',
        public ?int $location = null,
        public ?int $till = null,
        public ?int $department = null,
        public ?int $person = null,
        public ?int $customer = null,
        public ?int $item = null,
        public ?TenderKind $way = null,
        public ?array $hours = null,
        public string $sort = '',
    ) {
    }

    public function in(Period $period): self
    {
        return new self(...[...get_object_vars($this), 'period' => $period]);
    }

    /** Whether it is asked for less than a time at a location. */
    public function isNarrow(): bool
    {
        return $this->till !== null || $this->department !== null || $this->person !== null || $this->customer !== null
            || $this->item !== null || $this->way !== null || $this->hours !== null;
    }

    public function by(string $by): self
    {
        return new self(...[...get_object_vars($this), 'by' => $by]);
    }

    /** The period it is set beside; null: none. */
    public function other(): ?Period
    {
        return match ($this->compare) {
            'before' => $this->period->before(),
            'year' => $this->period->yearBefore(),
            default => null,
        };
    }
}
