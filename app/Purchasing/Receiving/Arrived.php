<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Receiving;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;

/** What came in of a line of a purchase, or without being ordered, as it was counted. */
final readonly class Arrived
{
    /**
     * @param  int|null  $position of the purchase; null: it was not ordered
     * @param  BigDecimal  $quantity taken in; none: all of it was refused
     * @param  Money|null  $amount what it cost in all, without freight; null: at the cost expected
     * @param  BigDecimal  $refused not taken in
     * @param  string  $why it was refused: damaged, wrong
     * @param  list<string>  $serials
     * @param  bool  $costsNothing that it is meant that it costs nothing
     */
    public function __construct(
        public ?int $position,
        public Item $item,
        public BigDecimal $quantity,
        public ?Money $amount,
        public BigDecimal $refused,
        public string $why = '',
        public array $serials = [],
        public bool $costsNothing = false,
    ) {
    }
}
