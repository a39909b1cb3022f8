<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;

/** Takes a line out of the slip. */
final class RemoveLine
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    public function handle(string $slipKey, int $lineId, Act $act): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            static fn (Slip $slip) => $slip->lines()->whereKey($lineId)->delete(),
        );
    }
}
