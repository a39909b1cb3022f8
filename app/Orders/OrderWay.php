<?php

declare(strict_types=1);

namespace Elmstone\Orders;

/** How goods reach the customer. */
enum OrderWay: string
{
    case Collect = 'collect';
    case Delivery = 'delivery';
    case Parcel = 'parcel';

    public function words(): string
    {
        return match ($this) {
            self::Collect => 'to collect',
            self::Delivery => 'delivery',
            self::Parcel => 'parcel',
        };
    }

    /** Whether somebody brings them, so that they need an address and freight can be charged. */
    public function isBrought(): bool
    {
        return $this !== self::Collect;
    }
}
