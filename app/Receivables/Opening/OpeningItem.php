<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Opening;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;

/** What was open of a document that was written before these books began. */
final readonly class OpeningItem
{
    /**
     * @param  int  $customer id
     * @param  string  $number as it stood on that document
     * @param  Money  $open above zero: they owe it; below: it is their credit
     */
    public function __construct(
        public int $customer,
        public string $number,
        public CarbonImmutable $dated,
        public CarbonImmutable $due,
        public Money $open,
    ) {
    }
}
