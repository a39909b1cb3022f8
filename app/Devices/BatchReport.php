<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Core\Money\Money;

/** What a card terminal itself says it took and paid back. */
final readonly class BatchReport
{
    /**
     * @param  int  $count payments and refunds
     * @param  Money  $taken by payments
     * @param  Money  $paidBack by refunds
     */
    public function __construct(public int $count, public Money $taken, public Money $paidBack)
    {
    }

    /** What the acquirer owes for it; below zero: more was paid back. */
    public function total(): Money
    {
        return $this->taken->minus($this->paidBack);
    }
}
