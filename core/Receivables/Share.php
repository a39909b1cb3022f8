<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Elmstone\Core\Money\Money;

/** So much of a payment or credit set against one open item, and the settlement discount given with it. */
final readonly class Share
{
    public function __construct(public string $id, public Money $amount, public Money $discount)
    {
    }

    /** What it takes off the item. */
    public function settles(): Money
    {
        return $this->amount->plus($this->discount);
    }
}
