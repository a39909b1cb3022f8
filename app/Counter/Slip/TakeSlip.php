<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;

/** Picks up, at this till, a slip that was set aside at another till of the same location. */
final class TakeSlip
{
    /** @throws Refused not_open, other_location, card_unknown */
    public function handle(string $slipKey, Act $act): Slip
    {
        return DB::transaction(static function () use ($slipKey, $act): Slip {
            $slip = Slip::query()->where('key', $slipKey)->lockForUpdate()->firstOrFail();

            if ($slip->state !== SlipState::Open) {
                throw Refused::because('not_open', 'This slip is not open any more.');
            }

            if ($slip->location_id !== $act->till->location_id) {
                throw Refused::because(
                    'other_location',
                    'This slip lies at another location, with other prices and taxes.',
                );
            }

            if ($slip->till->training !== $act->till->training) {
                throw Refused::because(
                    'training',
                    'What is practised stays at the till for training, and what is real does not go there.',
                );
            }

            if ($slip->cards()->get()->contains(static fn (CardRequest $card): bool => $card->state->isOpen())) {
                throw Refused::because(
                    'card_unknown',
                    "A card’s outcome is not known yet. Till {$slip->till->number} has to ask its terminal again "
                        .'first.',
                );
            }

            $slip->forceFill(['till_id' => $act->till->id, 'version' => $slip->version + 1])->save();

            return $slip;
        });
    }
}
