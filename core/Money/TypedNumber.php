<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

/**
 * A number as people type it, turned into the plain decimal the values read.
 *
 * A point, a comma or a raised dot may be the decimal sign. With two kinds of sign the last is the decimal one
 * and the other must stand between groups of three. A lone comma before exactly three digits can be read two ways
 * and is refused rather than guessed.
 */
final readonly class TypedNumber
{
    /** @throws Refused bad_number */
    public static function plain(string $typed): string
    {
        $text = preg_replace('/[\s\x{00A0}\x{202F}]+/u', '', $typed) ?? '';
        $text = str_replace(['·', '٫'], '.', $text);

        return match (true) {
            preg_match('/^\d+$/D', $text) === 1 => self::trimmed($text),
            preg_match('/^[1-9]\d{0,2},\d{3}$/D', $text) === 1 => throw self::twoWays($text),
            preg_match('/^\d*[.,]\d+$/D', $text) === 1 => self::trimmed(str_replace(',', '.', $text)),
            preg_match('/^\d{1,3}(,\d{3})+(\.\d+)?$/D', $text) === 1 => self::trimmed(str_replace(',', '', $text)),
            preg_match('/^\d{1,3}(\.\d{3})+,\d+$/D', $text) === 1 => self::trimmed(
                strtr($text, ['.' => '', ',' => '.']),
            ),
            preg_match('/^[-−–]/u', $text) === 1 => throw Refused::because(
                'bad_number',
                'No minus signs here: type the number itself.',
            ),
            default => throw Refused::because(
                'bad_number',
                $typed === '' ? 'Type a number.' : "“{$typed}” is not a number.",
            ),
        };
    }

    private static function trimmed(string $decimal): string
    {
        $trimmed = ltrim($decimal, '0');

        return match (true) {
            $trimmed === '' => '0',
            $trimmed[0] === '.' => '0'.$trimmed,
            default => $trimmed,
        };
    }

    private static function twoWays(string $text): Refused
    {
        [$whole, $rest] = explode(',', $text);

        return Refused::because(
            'bad_number',
            "“{$text}” can be read two ways: type {$whole}{$rest} or {$whole}.{$rest}.",
        );
    }
}
