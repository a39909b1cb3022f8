<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\PriceAgain;
use Elmstone\Customers\PriceLevel;
use Elmstone\Shop\TaxProfileRecord;

/**
 * Gives one sale an exemption, a price level or a tax place of its own, for a reason. Who may not do that has it
 * allowed by somebody else before it is posted.
 */
final class SetOwnTerms
{
    public const NONE = [
        'own_terms' => false,
        'own_certificate' => null,
        'own_level_id' => null,
        'own_place_id' => null,
        'own_reason' => '',
    ];

    public function __construct(private readonly SlipDesk $desk)
    {
    }

    /**
     * @param  string  $certificate empty: no exemption
     * @param  int  $level a price level's id; 0: as the customer's
     * @param  int  $place a tax profile's id; 0: as here
     *
     * @throws Refused reason_missing, no_such_level, no_such_place
     */
    public function handle(
        string $slipKey,
        Act $act,
        string $certificate,
        int $level,
        int $place,
        string $reason,
    ): Slip {
        $certificate = trim($certificate);
        $isAny = $certificate !== '' || $level > 0 || $place > 0;

        match (true) {
            $isAny && mb_strlen(trim($reason)) < 3 => throw Refused::because(
                'reason_missing',
                'Say why this sale differs; it stays with the document.',
            ),
            $level > 0 && PriceLevel::query()->whereKey($level)->doesntExist() => throw Refused::because(
                'no_such_level',
                'There is no such price level.',
            ),
            $place > 0 && TaxProfileRecord::query()->whereKey($place)->doesntExist() => throw Refused::because(
                'no_such_place',
                'There is no such tax place.',
            ),
            default => null,
        };

        return $this->desk->change($slipKey, $act, function (Slip $slip) use (
            $act, $certificate, $level, $place, $reason, $isAny,
        ): void {
            $slip
                ->forceFill($isAny ? [
                    'own_terms' => true,
                    'own_certificate' => $certificate === '' ? null : mb_substr($certificate, 0, 40),
                    'own_level_id' => $level > 0 ? $level : null,
                    'own_place_id' => $place > 0 ? $place : null,
                    'own_reason' => mb_substr(trim($reason), 0, 120),
                ] : self::NONE)
                ->save();
            $this->desk->redraw($slip, $act);
            $slip->forgetPriceTerms();
            PriceAgain::all($slip);
        });
    }
}
