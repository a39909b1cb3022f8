<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Elmstone\Shop\Till;

/** Where, when and by whom something is posted. */
final readonly class PostedAt
{
    public function __construct(
        public int $locationId,
        public int $tillId,
        public int $staffId,
        public CarbonImmutable $day,
    ) {
    }

    public static function till(Till $till, int $staffId, CarbonImmutable $day): self
    {
        return new self($till->location_id, $till->id, $staffId, $day->startOfDay());
    }
}
