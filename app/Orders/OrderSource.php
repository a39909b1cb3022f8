<?php

declare(strict_types=1);

namespace Elmstone\Orders;

/** Where an order came from; a special order is for goods that are not kept in stock. */
enum OrderSource: string
{
    case Counter = 'counter';
    case Telephone = 'telephone';
    case Web = 'web';
    case Special = 'special';

    public function words(): string
    {
        return match ($this) {
            self::Counter => 'at the counter',
            self::Telephone => 'by telephone',
            self::Web => 'from the web',
            self::Special => 'special order',
        };
    }
}
