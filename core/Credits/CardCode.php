<?php

declare(strict_types=1);

namespace Elmstone\Core\Credits;

use Elmstone\Core\Money\Refused;

/**
 * A gift card's number: 16 digits, a 9 first (ISO/IEC 7812-1: for national use, so no bank's), the last the check digit
 * of ISO/IEC 7812-1 annex B (Luhn's formula). Fourteen digits are drawn at random by whoever issues it, so that no
 * number follows from another.
 */
final readonly class CardCode
{
    public const LENGTH = 16;

    private function __construct(public string $digits)
    {
    }

    /**
     * As it is typed or scanned; blanks and dashes between the digits do not count.
     *
     * @throws Refused bad_card_code
     */
    public static function of(string $typed): self
    {
        $digits = preg_replace('/[\s-]+/', '', $typed) ?? '';

        if (preg_match('/^9\d{15}$/D', $digits) !== 1) {
            throw Refused::because('bad_card_code', 'A gift card’s number has 16 digits and begins with 9.');
        }

        return self::checkDigit(substr($digits, 0, -1)) === (int) $digits[-1]
            ? new self($digits)
            : throw Refused::because(
                'bad_card_code',
                'One digit of this card number is wrong. Look at the card again.',
            );
    }

    /** @param  string  $drawn fourteen digits drawn at random */
    public static function make(string $drawn): self
    {
        return self::of("9{$drawn}".self::checkDigit("9{$drawn}"));
    }

    public static function looksLikeOne(string $typed): bool
    {
        return preg_match('/^\s*9(?:[\s-]*\d){15}\s*$/D', $typed) === 1;
    }

    /** @param  string  $body the digits in front of the check digit */
    public static function checkDigit(string $body): int
    {
        $sum = 0;

        foreach (array_reverse(str_split($body)) as $place => $digit) {
            $value = (int) $digit * ($place % 2 === 0 ? 2 : 1);
            $sum += $value > 9 ? $value - 9 : $value;
        }

        return (10 - ($sum % 10)) % 10;
    }

    /** "9412 0034 5566 7781" */
    public function grouped(): string
    {
        return implode(' ', str_split($this->digits, 4));
    }

    /** "•••• 7781": enough to know it again, too little to use it. */
    public function masked(): string
    {
        return '•••• '.substr($this->digits, -4);
    }
}
