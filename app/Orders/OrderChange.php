<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Staff\Approvals\GivenApproval;

/** How an order is to be from now on, as somebody typed it; what is null stays as it is. */
final readonly class OrderChange
{
    /**
     * @param  array<int, BigDecimal>  $quantities in all, supplied ones in it, by position
     * @param  list<array{Item, Quantity}>  $added at today's prices
     * @param  OrderWay|null  $way of everything that is still to come
     * @param  string  $reason why something is cancelled
     * @param  bool  $waive the fee is let off
     */
    public function __construct(
        public array $quantities = [],
        public array $added = [],
        public ?OrderWay $way = null,
        public ?CarbonImmutable $wantedOn = null,
        public ?string $wantedWhen = null,
        public ?string $deliverTo = null,
        public ?string $buyer = null,
        public ?string $note = null,
        public string $reason = '',
        public bool $waive = false,
        public ?GivenApproval $approval = null,
    ) {
    }

    /** The rest of it is cancelled. */
    public static function cancelling(Order $order, string $reason, bool $waive, ?GivenApproval $approval): self
    {
        $quantities = [];

        foreach ($order->progress as $line) {
            $quantities[$line->position] = $line->done()->quantity;
        }

        return new self($quantities, reason: $reason, waive: $waive, approval: $approval);
    }
}
