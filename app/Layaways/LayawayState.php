<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

/** Where a layaway stands. That it is behind or has expired follows from its dates. */
enum LayawayState: string
{
    case Running = 'running';
    case Ready = 'ready';
    case Completed = 'completed';
    case Cancelled = 'cancelled';

    /** Whether its goods are set aside and its money is held. */
    public function isOpen(): bool
    {
        return $this === self::Running || $this === self::Ready;
    }
}
