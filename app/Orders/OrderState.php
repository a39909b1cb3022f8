<?php

declare(strict_types=1);

namespace Elmstone\Orders;

/** Whether anything of an order is still to be supplied. */
enum OrderState: string
{
    case Open = 'open';
    case Supplied = 'supplied';
    case Cancelled = 'cancelled';
}
