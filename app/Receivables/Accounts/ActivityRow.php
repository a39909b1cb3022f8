<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Ledger\OpenItemRecord;

/** One document on an account: what it added, and the balance after it. */
final readonly class ActivityRow
{
    public function __construct(public OpenItemRecord $item, public Money $moved, public Money $balance)
    {
    }
}
