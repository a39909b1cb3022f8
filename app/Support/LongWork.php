<?php

declare(strict_types=1);

namespace Elmstone\Support;

/** A request that may take longer than others do. */
final class LongWork
{
    /** Gives it so many seconds from now; where more is allowed, or no limit is set, that stays as it is. */
    public static function mayTake(int $seconds): void
    {
        $limit = (int) ini_get('max_execution_time');

        if ($limit > 0 && $limit < $seconds) {
            set_time_limit($seconds);
        }
    }
}
