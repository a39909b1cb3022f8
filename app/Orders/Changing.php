<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Receivables\Accounts\HouseAccount;

/** An order while it is changed, with all that is locked for it. */
final readonly class Changing
{
    /**
     * @param  HouseAccount|null  $account null: it is not charged
     * @param  HeldAccount  $deposits of its customer
     */
    public function __construct(public Order $order, public ?HouseAccount $account, public HeldAccount $deposits)
    {
    }
}
