<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Receivables\Accounts\HouseAccount;

/** A slip with everything locked that posting it touches. */
final readonly class LockedSlip
{
    /**
     * @param  HouseAccount|null  $account null: it touches none
     * @param  HeldAccount|null  $held null: it touches no deposits
     */
    public function __construct(public Slip $slip, public ?HouseAccount $account, public ?HeldAccount $held)
    {
    }
}
