<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Elmstone\Core\Credits\CardCode;
use RuntimeException;

/**
 * What is kept of a gift card's number: a digest under a key of the house, and the last four digits. Whoever reads the
 * database cannot spend a card with it. HMAC (FIPS 198-1) with SHA-256, of which 176 bits are kept.
 */
final class KeptCode
{
    /** Hexadecimal digits of the digest; the last four of the number follow. */
    private const DIGEST = 44;

    public static function of(CardCode $code): string
    {
        return substr(hash_hmac('sha256', "gift card {$code->digits}", self::key()), 0, self::DIGEST)
            .substr($code->digits, -4);
    }

    /** "•••• 7781" */
    public static function masked(string $kept): string
    {
        return '•••• '.substr($kept, -4);
    }

    /** That a number belongs to a card, so that two numbers cannot change places. */
    public static function seal(string $kept, int $card): string
    {
        return hash_hmac('sha256', "{$kept} is of gift card {$card}", self::key());
    }

    private static function key(): string
    {
        $key = config('app.key');

        return is_string($key) && $key !== '' ? $key : throw new RuntimeException('The house has no key.');
    }
}
