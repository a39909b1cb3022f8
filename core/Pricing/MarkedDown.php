<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Elmstone\Core\Money\UnitPrice;

/** What an item costs at its age. */
final readonly class MarkedDown
{
    /**
     * @param  int  $step the step that holds, counted from 1; 0: none is reached, and the price is the list price
     * @param  bool  $heldByFloor the step would have gone below the lowest price the house accepts
     */
    public function __construct(public UnitPrice $price, public int $step, public bool $heldByFloor)
    {
    }
}
