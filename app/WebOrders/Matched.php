<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Orders\OrderWay;

/** An order as it was sent, held against what the shop knows: what it means, and what is to be looked at. */
final readonly class Matched
{
    /**
     * @param  array<int, MatchedLine>  $lines by their place in what was sent, those that mean an item
     * @param  list<Problem>  $problems none: it can be taken
     * @param  Money|null  $freight null: none
     */
    public function __construct(
        public IncomingOrder $incoming,
        public ?Customer $customer,
        public array $lines,
        public OrderWay $way,
        public ?Money $freight,
        public ?CarbonImmutable $wantedOn,
        public array $problems,
    ) {
    }

    /** @return list<Problem> of one line, or of the whole */
    public function problemsAt(?int $at): array
    {
        return array_values(array_filter(
            $this->problems,
            static fn (Problem $problem): bool => $problem->at === $at,
        ));
    }
}
