<?php

declare(strict_types=1);

namespace Elmstone\Core\Ledger;

use Elmstone\Core\Money\Money;

/** So much on one side of one account. */
final readonly class JournalLine
{
    public function __construct(public string $account, public Money $debit, public Money $credit)
    {
    }
}
