<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/** What of a line of an order is there, what waits, and by when it can be promised. */
final readonly class LinePromise
{
    /**
     * @param  BigDecimal  $free available where it leaves
     * @param  BigDecimal  $aside what would be set aside now
     * @param  CarbonImmutable|null  $day by which all of it can be had; null: what is bought does not reach
     */
    public function __construct(
        public BigDecimal $free,
        public BigDecimal $aside,
        public BigDecimal $waits,
        public BigDecimal $onOrder,
        public ?CarbonImmutable $day,
    ) {
    }

    public function words(): string
    {
        return match (true) {
            ! $this->waits->isPositive() => 'now',
            $this->day !== null && ! ShopTime::isToday($this->day) => 'on '.Show::date($this->day)
                .', '.Show::decimal($this->onOrder).' on order',
            $this->day !== null => 'now',
            $this->onOrder->isPositive() => Show::decimal($this->onOrder).' on order, for others too',
            default => 'is to be bought',
        };
    }
}
