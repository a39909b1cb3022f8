<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;

/** One payment that a bank booked, as its file says. */
final readonly class BankEntryRead
{
    /** @param  string  $bankReference the bank's own, unique in its account; empty where it gives none */
    public function __construct(public CarbonImmutable $bookedOn, public Money $amount, public string $payer, public string $reference, public string $bankReference)
    {
    }
}
