<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Elmstone\Books\Account;
use Elmstone\Core\Money\Money;

/** An account in a time: where it stood before, what moved, where it stands. Debits above zero. */
final readonly class AccountBalance
{
    public function __construct(
        public Account $account,
        public Money $opening,
        public Money $debit,
        public Money $credit,
    ) {
    }

    public function closing(): Money
    {
        return $this->opening->plus($this->debit)->minus($this->credit);
    }

    public function isEmpty(): bool
    {
        return $this->opening->isZero() && $this->debit->isZero() && $this->credit->isZero();
    }
}
