<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Carbon\CarbonImmutable;

/** A date as a page's field sends it and files have it: 2026-03-31. */
final class TypedDate
{
    /** Null: it is none, as 2026-02-30 is none. */
    public static function of(mixed $typed): ?CarbonImmutable
    {
        return is_string($typed)
            && preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $typed, $found) === 1
            && checkdate((int) $found[2], (int) $found[3], (int) $found[1])
                ? CarbonImmutable::createFromFormat('!Y-m-d', $typed, 'UTC')
                : null;
    }
}
