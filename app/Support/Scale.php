<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\Money;

/**
 * Lengths in pictures. Whatever the figures are, a length comes out of it: a picture never breaks the page it is on.
 */
final class Scale
{
    private const LONGEST = 100_000;

    /** How long an amount is where the whole of it is so long. */
    public static function of(int $length, Money $part, Money $whole): int
    {
        return self::to($length, $part->minor, $whole->minor);
    }

    /** How long a part is where the whole is so long, rounded towards nothing; of a whole of nothing, nothing. */
    public static function to(int $length, int $part, int $whole): int
    {
        if ($whole === 0) {
            return 0;
        }

        $exact = BigInteger::of($part)->multipliedBy($length)->dividedBy($whole, RoundingMode::DOWN);

        return match (true) {
            $exact->isGreaterThan(self::LONGEST) => self::LONGEST,
            $exact->isLessThan(-self::LONGEST) => -self::LONGEST,
            default => $exact->toInt(),
        };
    }
}
