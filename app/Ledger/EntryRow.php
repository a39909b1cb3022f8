<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Elmstone\Core\Money\Money;

/** A row of an entry by hand: so much on one side of an account. */
final readonly class EntryRow
{
    /** @param  string  $account its number or its code, as typed */
    public function __construct(public string $account, public Money $debit, public Money $credit)
    {
    }
}
