<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Elmstone\Core\Money\Money;

/** What was sold of a department, less what came back. */
final readonly class DepartmentSales
{
    /**
     * @param  Money  $gross before discounts
     * @param  Money  $discounts of lines, slips and coupons
     * @param  Money  $net after them
     * @param  Money  $back the net of what came back, taken off already
     * @param  Money  $exempt the net that was sold exempt
     */
    public function __construct(
        public string $name,
        public Money $gross,
        public Money $discounts,
        public Money $net,
        public Money $back,
        public Money $exempt,
        public Money $cost,
    ) {
    }

    public function margin(): Money
    {
        return $this->net->minus($this->cost);
    }
}
