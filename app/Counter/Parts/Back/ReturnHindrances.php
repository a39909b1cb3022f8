<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Books\GoodsTo;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;

/** Why what comes back on a slip cannot come back so, beyond what its figures refuse. */
final class ReturnHindrances
{
    /** @return list<Refused> line by line, then of the slip */
    public static function of(Slip $slip, ReturnTerms $under): array
    {
        $found = [];

        foreach ($slip->returns as $line) {
            $found[] = $line->isBlind() || $under->soldOn($line)->lessThanOrEqualTo($slip->day())
                ? null
                : Refused::because(
                    'before_sold',
                    "“{$line->description}” was sold later than the day this slip is dated.",
                );
            $found[] = self::serials($line);
        }

        $found = [...$found, ...ReservedElsewhere::of($slip)];
        $found[] = $slip->becomesSale() ? null : Refused::because(
            'hold_and_back',
            "What comes back cannot stand on a slip that is {$slip->becomes->words()}. Take it back on a slip of its "
                .'own.',
        );

        return array_values(array_filter($found));
    }

    private static function serials(ReturnOnSlip $line): ?Refused
    {
        if ($line->item?->has_serials !== true || $line->goods_to === GoodsTo::None) {
            return null;
        }

        try {
            Serials::assertComplete($line->description, $line->quantity, $line->serials ?? []);
        } catch (Refused $refused) {
            return $refused;
        }

        return null;
    }
}
