<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\Undo;

/** Takes a line out of the slip. */
final class RemoveLine
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    public function handle(string $slipKey, int $lineId, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($lineId): void {
            $line = $slip->lines()->find($lineId);

            if ($line !== null) {
                Undo::line($slip, $line, 'removed');
                $line->delete();
            }
        });
    }
}
