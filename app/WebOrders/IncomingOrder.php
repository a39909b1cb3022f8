<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;

/** An order as it was sent, before it is held against what the shop knows. */
final readonly class IncomingOrder
{
    /**
     * @param  string  $number theirs
     * @param  string  $buyerNumber what we call them by, as they know it
     * @param  string  $reference the buyer's own order, where the sender is not the buyer
     * @param  string  $deliverTo empty: they collect it
     * @param  BigDecimal|null  $charge what they add for bringing it
     * @param  BigDecimal|null  $allowance what they take off the whole
     * @param  BigDecimal|null  $sum what they say the lines come to
     * @param  list<IncomingLine>  $lines
     */
    public function __construct(
        public string $number,
        public string $currency,
        public string $buyerNumber,
        public string $buyerName,
        public string $buyerMail,
        public string $contact,
        public string $reference,
        public string $note,
        public string $deliverTo,
        public ?CarbonImmutable $wantedOn,
        public ?BigDecimal $charge,
        public ?BigDecimal $allowance,
        public ?BigDecimal $sum,
        public array $lines,
    ) {
    }
}
