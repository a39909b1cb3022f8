<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Money;

/** Which way goods go: out to the customer, or back from them. */
enum Direction: string
{
    case Out = 'out';
    case Back = 'back';

    /** Gives a line's positive figure the sign it has in the document's. */
    public function signed(Money $amount): Money
    {
        return $this === self::Out ? $amount : $amount->negated();
    }
}
