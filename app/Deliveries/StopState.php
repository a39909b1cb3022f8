<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

/** What became of a stop. */
enum StopState: string
{
    case Planned = 'planned';
    case Delivered = 'delivered';
    case Failed = 'failed';

    public function words(): string
    {
        return match ($this) {
            self::Planned => 'to deliver',
            self::Delivered => 'delivered',
            self::Failed => 'not delivered',
        };
    }
}
