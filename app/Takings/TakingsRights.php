<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/**
 * Whether somebody may enter a row as it stands. A sheet has nobody else beside it who approves: a day gone by takes
 * the right to date back, and a price below the lowest the right to approve it, up to what theirs may allow.
 */
final readonly class TakingsRights
{
    public function __construct(private House $house, private Limits $limits)
    {
    }

    /** @throws Refused may_not_backdate, below_floor */
    public function assertMay(SoldRow $row, Location $location, Staff $by): void
    {
        if (! ShopTime::isToday($row->day) && ! $by->mayDo(Ability::Backdate)) {
            throw Refused::because(
                'may_not_backdate',
                "{$row->day->format('j M Y')} is gone by, and you may not date sales back. Somebody who may enters it.",
            );
        }

        $gap = $this->belowFloor($row, $location);

        if ($gap->isPositive() && ! $this->mayAllow($gap, $by)) {
            throw Refused::because(
                'below_floor',
                'That is '.Show::money($gap).' below the lowest price the house accepts. '
                    .$this->limits->whoMayApprove(LimitMatter::BelowFloor, $gap),
            );
        }
    }

    private function mayAllow(Money $gap, Staff $by): bool
    {
        return $by->mayDo(Ability::Approve)
            && $this->limits->of($by->roleHere(), LimitMatter::BelowFloor)->mayApprove($gap);
    }

    /** By how much a row is below the lowest price; of what has none, nothing. */
    private function belowFloor(SoldRow $row, Location $location): Money
    {
        $none = $this->house->money(0);
        $floor = $row->item?->floor_price;

        if ($row->item === null || $floor === null) {
            return $none;
        }

        $lowest = $floor->worth($row->quantity, $row->item->price_per, $none->currency);
        $draft = new TakingsDraft([$row], $this->house, $location);

        return $lowest->minus($draft->sums->lines[0]->gross)->orNothing();
    }
}
