<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

use Elmstone\Core\Money\Money;

/** A tax class and the net that tax is reckoned from (or, with tax-inclusive prices, out of). */
final readonly class TaxedLine
{
    public function __construct(public string $taxClass, public Money $net)
    {
    }
}
