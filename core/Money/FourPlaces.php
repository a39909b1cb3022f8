<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

use Brick\Math\BigDecimal;

/**
 * Reads the decimals that are not money: quantities, unit prices, costs and rates, with up to 4 places.
 */
final readonly class FourPlaces
{
    /** Whole digits in front of the point; what the books can hold. */
    private const WHOLE_DIGITS = 10;

    /** Digits that are surely a whole number of PHP. */
    private const DIGITS = 18;

    /** @throws Refused with the code given, when it is no such decimal */
    public static function read(string $text, string $code, string $what): BigDecimal
    {
        if (preg_match('/^(-?)(\d+)(?:\.(\d+))?$/D', $text, $parts) !== 1) {
            throw Refused::because($code, "“{$text}” is not {$what}.");
        }

        if ($parts[1] === '-') {
            throw Refused::because($code, ucfirst($what).' cannot be below zero.');
        }

        if (strlen(rtrim($parts[3] ?? '', '0')) > 4) {
            throw Refused::because($code, ucfirst($what).' has at most 4 decimal places.');
        }

        if (strlen(ltrim($parts[2], '0')) > self::WHOLE_DIGITS) {
            throw Refused::because($code, "“{$text}” is too large for {$what}.");
        }

        return BigDecimal::of($text)->stripTrailingZeros();
    }

    /** A decimal of at most 4 places in ten-thousandths; null where that may be no whole number of PHP. */
    public static function tenThousandths(BigDecimal $value): ?int
    {
        $digits = $value->getUnscaledValue().str_repeat('0', 4 - $value->getScale());

        return strlen($digits) > self::DIGITS ? null : (int) $digits;
    }
}
