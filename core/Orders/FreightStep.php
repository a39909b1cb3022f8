<?php

declare(strict_types=1);

namespace Elmstone\Core\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;

/** What is charged for goods that weigh at most so much. */
final readonly class FreightStep
{
    /** @param  BigDecimal|null  $upTo in the shop's unit of weight; null: however much */
    public function __construct(public ?BigDecimal $upTo, public Money $charge)
    {
    }

    public static function compare(self $one, ?self $other): int
    {
        return match (true) {
            $other === null => 1,
            $one->upTo === null || $other->upTo === null => ($one->upTo === null ? 1 : 0) <=> ($other->upTo === null
                ? 1
                : 0),
            default => $one->upTo->compareTo($other->upTo),
        };
    }
}
