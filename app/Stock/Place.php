<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Carbon\CarbonImmutable;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;

/** Where goods are moved, at which till, by whom and on which business date. */
final readonly class Place
{
    public function __construct(
        public int $locationId,
        public int $tillId,
        public int $staffId,
        public CarbonImmutable $day,
    ) {
    }

    public static function at(Till $till, Staff $by, ?CarbonImmutable $day = null): self
    {
        return new self($till->location_id, $till->id, $by->id, ($day ?? ShopTime::today())->startOfDay());
    }
}
