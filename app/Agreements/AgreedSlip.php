<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;

/** What an agreement comes to: the lines, prices and taxes of the agreement, whatever they are today. */
final class AgreedSlip
{
    /** @param  iterable<AgreedLine>  $lines */
    public static function reckon(Agreement $agreement, iterable $lines, Currency $currency): ReckonedSlip
    {
        $tax = $agreement->taxAsAgreed();
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
                $agreement->discount(),
                $tax->exemption(),
            ),
        );
    }
}
