<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Core\Layaway\Portion;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** A portion as people write it: "10 %", "15.00", or "10 % 15.00", of which the larger holds. */
final class PortionText
{
    /**
     * @return array{percent: string|null, amount: int|null}
     *
     * @throws Refused amount_too_large, bad_terms, bad_percent, bad_amount, bad_number
     */
    public static function read(string $text, House $house): array
    {
        if (preg_match('/^(?:([\d.,]+)\s*%)?[\s,;+]*([\d.,]+)?$/D', trim($text), $found) !== 1) {
            throw Refused::because(
                'bad_terms',
                "“{$text}”: write a percentage, an amount, or both, such as “10 % 15.00”.",
            );
        }

        $percent = ($found[1] ?? '') === '' ? null : TypedNumber::plain($found[1]);
        $amount = ($found[2] ?? '') === ''
                ? null
                : $house->fitting(Money::of(TypedNumber::plain($found[2]), $house->currency()));
        Portion::of($percent, $amount);

        return ['percent' => $percent, 'amount' => $amount?->minor];
    }

    /** As it would be typed. */
    public static function write(?string $percent, ?Money $amount): string
    {
        return trim(
            ($percent === null ? '' : Show::decimal($percent).' % ')
                .$amount?->toString(),
        );
    }
}
