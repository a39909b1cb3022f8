<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Elmstone\Core\Money\Money;

/** One document on an account: what it added, and the balance after it. */
final readonly class ActivityRow
{
    public function __construct(public OpenItemRecord $item, public Money $moved, public Money $balance)
    {
    }
}
