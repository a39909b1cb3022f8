<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;

/**
 * A line as it was sold: how many, for what, with which tax, at what cost. Money of the whole line, none below zero.
 */
final readonly class SoldLine
{
    public Money $cost;

    /** @param  array<string, Money>  $tax by component id */
    public function __construct(public Quantity $quantity, public Money $net, public array $tax, ?Money $cost = null)
    {
        $this->cost = $cost ?? Money::zero($net->currency);
    }
}
