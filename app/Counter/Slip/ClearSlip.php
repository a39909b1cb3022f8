<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Refused;

/** Clears the lot. Money already taken by card must go back first. */
final class ClearSlip
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    /** @throws Refused card_taken */
    public function handle(string $slipKey, Act $act): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            static function (Slip $slip): void {
                if ($slip->cards->contains(static fn (CardRequest $card): bool => $card->isPending())) {
                    throw Refused::because(
                        'card_taken',
                        $slip->takesBack()
                            ? 'Money went back to a card on this slip. Undo that first.'
                            : 'A card has paid on this slip. Give the money back first.',
                    );
                }

                $slip->forceFill(['state' => SlipState::Cleared])->save();
            },
            evenVoid: true,
        );
    }
}
