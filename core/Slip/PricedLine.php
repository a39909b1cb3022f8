<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Money;

/** A line with its gross and its own discount, before the slip discount. */
final readonly class PricedLine
{
    public function __construct(public SlipLine $line, public Money $gross, public Money $lineDiscount)
    {
    }

    public function afterLineDiscount(): Money
    {
        return $this->gross->minus($this->lineDiscount);
    }
}
