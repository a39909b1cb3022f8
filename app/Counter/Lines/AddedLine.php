<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Counter\Slip\Slip;

/** A slip that something was added to, and the line that took it. */
final readonly class AddedLine
{
    public function __construct(public Slip $slip, public int $lineId)
    {
    }
}
