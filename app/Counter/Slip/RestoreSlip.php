<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;

/** Brings a slip back that was cleared by a slip of the hand. */
final class RestoreSlip
{
    /** @throws Refused not_cleared */
    public function handle(string $slipKey, Act $act): Slip
    {
        return DB::transaction(static function () use ($slipKey, $act): Slip {
            $slip = Slip::query()->where('key', $slipKey)->lockForUpdate()->firstOrFail();

            if ($slip->state !== SlipState::Cleared || $slip->location_id !== $act->till->location_id) {
                throw Refused::because('not_cleared', 'This slip cannot be brought back here.');
            }

            $slip
                ->forceFill(['state' => SlipState::Open, 'till_id' => $act->till->id, 'version' => $slip->version + 1])
                ->save();

            return $slip;
        });
    }
}
