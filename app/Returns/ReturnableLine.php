<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Carbon\CarbonImmutable;
use Elmstone\Books\Origin;
use Elmstone\Core\Money\Money;

/** A line somebody bought, with what can still come back of it and for how much. */
final readonly class ReturnableLine
{
    /**
     * @param  string  $left pieces that can still come back
     * @param  Money  $each what one piece gives back, tax in it
     * @param  string  $outside why it is outside the policy; empty: it is inside
     * @param  list<string>  $serials of the pieces that are still out
     */
    public function __construct(
        public Origin $origin,
        public string $label,
        public CarbonImmutable $day,
        public string $customer,
        public string $code,
        public string $description,
        public string $bought,
        public string $left,
        public Money $each,
        public string $policy,
        public string $outside,
        public array $serials,
    ) {
    }
}
