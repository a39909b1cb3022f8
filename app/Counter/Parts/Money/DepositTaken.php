<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Money;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Shop\House;

/** A deposit taken for an order. */
final readonly class DepositTaken implements TakesMoney
{
    public function __construct(private House $house, private HeldLedger $held)
    {
    }

    public function due(Slip $slip): Money
    {
        return $slip->deposit_in ?? $this->house->money(0);
    }

    public function words(): string
    {
        return 'deposit';
    }

    public function alone(): string
    {
        return 'Take deposit';
    }

    public function heldAs(): HeldKind
    {
        return HeldKind::Deposit;
    }

    public function hindrances(ReckonedCounter $reckoned): array
    {
        return $reckoned->slip->deposit_used !== null && $reckoned->slip->deposit_in !== null
            ? [Refused::because('deposit_both_ways', 'A deposit is either taken or used, not both on one slip.')]
            : [];
    }

    public function enter(TakenIn $in): void
    {
        $slip = $in->slip();

        if ($in->posting->deposits !== null && $slip->deposit_in !== null) {
            $this->held->put(
                $in->posting->deposits,
                $in->receipt,
                $this->due($slip),
                $in->day(),
                keptFor: $slip->deposit_for,
            );
        }
    }
}
