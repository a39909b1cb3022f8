<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Refused;

/** A refusal that belongs to one line of the slip. */
final class RefusedOnLine extends Refused
{
    /** The line's place on the slip, from 0. */
    public int $line = 0;

    public static function at(int $line, Refused $refused): self
    {
        $onLine = self::because($refused->rule, $refused->getMessage());
        $onLine->line = $line;

        return $onLine;
    }
}
