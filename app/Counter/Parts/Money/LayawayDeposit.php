<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Money;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Layaways\LayawayLedger;
use Elmstone\Shop\House;

/** The deposit of the layaway that is being made of the slip. */
final readonly class LayawayDeposit implements TakesMoney
{
    public function __construct(private House $house, private LayawayLedger $layaways)
    {
    }

    public function due(Slip $slip): Money
    {
        return $slip->becomes === Becomes::Layaway
            ? $slip->hold->deposit ?? $this->house->money(0)
            : $this->house->money(0);
    }

    public function words(): string
    {
        return 'layaway deposit';
    }

    public function alone(): null
    {
        return null;
    }

    public function heldAs(): HeldKind
    {
        return HeldKind::Layaway;
    }

    public function hindrances(ReckonedCounter $reckoned): array
    {
        return $reckoned->layaway()?->hindrances() ?? [];
    }

    public function enter(TakenIn $in): void
    {
        $in->posting->made === null
            || $this->layaways->pay($in->posting->made, $in->receipt, $this->due($in->slip()), $in->day());
    }
}
