<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\House;

/** Whether somebody sees slips and documents of other locations: whoever may, and clerks where the owner set it so. */
final class Sight
{
    public function __construct(private readonly House $house, private readonly AtTill $atTill)
    {
    }

    public function seesAll(Staff $staff): bool
    {
        return $staff->mayDo(Ability::SeeOtherLocations) || $this->house->shop()->see_other_locations;
    }

    public function sees(Staff $staff, int $location): bool
    {
        return $location === $this->atTill->till()->location_id || $this->seesAll($staff);
    }
}
