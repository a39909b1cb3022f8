<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Report\Period;

/** Sales of a time on the front page, beside those of another. */
final readonly class FrontTime
{
    /** @param  string  $beside in words, what the time before is */
    public function __construct(
        public string $title,
        public Period $period,
        public Money $net,
        public int $sales,
        public Money $margin,
        public Money $before,
        public string $beside,
    ) {
    }
}
