<?php

declare(strict_types=1);

namespace Elmstone\Support\Tables;

use Elmstone\Core\Money\Refused;

/** A row that was right when the file was looked at, and is not any more as it is brought in. */
final class ChangedMeanwhile
{
    public static function at(int $line, Refused $why): Refused
    {
        return Refused::because('changed_meanwhile', "Line {$line}: {$why->getMessage()} Look at it again.");
    }
}
