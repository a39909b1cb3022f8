<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\SlipLine;

/** A line and the net that tax is reckoned from (or, with tax-inclusive prices, out of). */
final readonly class TaxedLine
{
    public function __construct(public SlipLine $line, public Money $net)
    {
    }
}
