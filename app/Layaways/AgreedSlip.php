<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;

/** What a layaway comes to: the lines, prices and taxes of the agreement, whatever they are today. */
final class AgreedSlip
{
    /** @param  iterable<LayawayLine>  $lines */
    public static function reckon(Layaway $layaway, iterable $lines, Currency $currency): ReckonedSlip
    {
        $tax = $layaway->taxAsAgreed();
        $values = [];

        foreach ($lines as $line) {
            $values[] = $line->toValue($currency);
        }

        return Reckoner::reckon(
            Slip::of(
                $currency,
                $tax->terms,
                $tax->profile(),
                $values,
                $layaway->discount($currency),
                $tax->exemption(),
            ),
        );
    }
}
