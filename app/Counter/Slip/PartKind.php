<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

/** What can be on a slip besides its lines and what comes back, several times over. */
enum PartKind: string
{
    case Layaway = 'layaway';
    case Order = 'order';
    case Coupon = 'coupon';
    case CardSold = 'card_sold';
    case CardUsed = 'card_used';
}
