<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\House;
use Elmstone\Shop\Till;

/** Whether somebody sees slips and documents of other locations: whoever may, and clerks where the owner set it so. */
final class Sight
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly StaffPlaces $places,
    ) {
    }

    /** Who works at places of their own sees these, one at a time: where they signed in. */
    public function isBound(Staff $staff): bool
    {
        return $this->places->of($staff) !== [];
    }

    public function seesAll(Staff $staff): bool
    {
        return ! $this->isBound($staff)
            && ($staff->mayDo(Ability::SeeOtherLocations) || $this->house->shop()->see_other_locations);
    }

    /** @param  Till|null  $till where they stand; null: where they signed in */
    public function sees(Staff $staff, int $location, ?Till $till = null): bool
    {
        return $this->seesAll($staff) || $location === ($till ?? $this->atTill->till())->location_id;
    }
}
