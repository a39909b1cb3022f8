<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Illuminate\Support\Str;

/** What names, numbers and addresses are compared by. */
final class Naming
{
    /** Words that say what sort of firm it is, not which. */
    private const FORMS = ['ltd', 'limited', 'inc', 'llc', 'co', 'company', 'and', 'the', 'sons', 'son'];

    /**
     * A name without case, accents, punctuation, the order of its words and the usual forms: "The Moss & Daughter
     * Tiling Co." is "daughter moss tiling".
     */
    public static function key(string $name): string
    {
        $words = preg_split('/[^a-z0-9]+/', Str::lower(Str::ascii($name)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $telling = array_diff($words, self::FORMS) ?: $words;
        sort($telling);

        return mb_substr(implode(' ', $telling), 0, 120);
    }

    /** The digits of a phone number without what comes before the last nine. */
    public static function phone(string $phone): string
    {
        return substr(preg_replace('/\D/', '', $phone) ?? '', -9);
    }

    public static function search(string ...$parts): string
    {
        $text = Str::lower(
            Str::ascii(implode(' ', array_filter($parts, static fn (string $part): bool => $part !== ''))),
        );

        return substr(preg_replace('/[^ -~]/', '', $text) ?? '', 0, 500);
    }
}
