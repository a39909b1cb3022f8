<?php

declare(strict_types=1);

namespace Elmstone\Receivables\FinanceCharges;

use Elmstone\Core\Receivables\FinanceCharge;
use Elmstone\Receivables\Accounts\HouseAccount;

/** What an account would be charged with for being late. */
final readonly class LatenessRow
{
    public function __construct(
        public HouseAccount $account,
        public FinanceCharge $charge,
        public bool $chargedAlready,
    ) {
    }
}
