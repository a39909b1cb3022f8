<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\UnitPrice;

/** The price a line gets, the rule that set it, the list price beside it, and the standing discount that comes off. */
final readonly class PriceQuote
{
    /**
     * @param  Percentage|null  $discount the customer's standing discount, taken as the line's discount
     * @param  DatedPrice|null  $source the contract price or promotion that won, for its name and end
     */
    public function __construct(
        public UnitPrice $price,
        public PriceRule $rule,
        public UnitPrice $list,
        public ?Percentage $discount = null,
        public ?DatedPrice $source = null,
    ) {
    }
}
