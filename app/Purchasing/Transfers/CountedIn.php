<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Brick\Math\BigDecimal;

/** What of a line of a transfer is here, and what is known not to come. */
final readonly class CountedIn
{
    /**
     * @param  int  $position of the transfer
     * @param  list<string>  $serials of what is here
     */
    public function __construct(
        public int $position,
        public BigDecimal $arrived,
        public BigDecimal $missing,
        public array $serials = [],
    ) {
    }
}
