<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

use InvalidArgumentException;

/**
 * JSON that is written one way only, so that its digest is too: RFC 8785, "JSON Canonicalization Scheme". Members in
 * the order of their names by UTF-16 code units, no blanks, the shortest escapes. Of numbers only whole ones up to 2^53
 * are taken: no money is a fraction here.
 */
final class CanonicalJson
{
    private const MOST = 9_007_199_254_740_991;

    private const FLAGS = JSON_THROW_ON_ERROR
        | JSON_UNESCAPED_UNICODE
        | JSON_UNESCAPED_SLASHES
        | JSON_UNESCAPED_LINE_TERMINATORS;

    /**
     * @param  array<mixed>|string|int|bool|null  $value a list is written as an array, any other array as an object
     *
     * @throws InvalidArgumentException for a fraction, an object of PHP, or a whole number beyond 2^53
     */
    public static function of(array|string|int|bool|null $value): string
    {
        return match (true) {
            is_int($value) => abs($value) <= self::MOST
                ? (string) $value
                : throw new InvalidArgumentException("{$value} is beyond what JSON can say exactly."),
            ! is_array($value) => json_encode($value, self::FLAGS),
            array_is_list($value) => '['.implode(',', array_map(self::any(...), $value)).']',
            default => self::object($value),
        };
    }

    private static function any(mixed $value): string
    {
        return is_array($value) || is_string($value) || is_int($value) || is_bool($value) || $value === null
            ? self::of($value)
            : throw new InvalidArgumentException(
                'Only texts, whole numbers, yes and no, lists and objects can be written.',
            );
    }

    /** @param  array<mixed>  $members */
    private static function object(array $members): string
    {
        uksort($members, self::byCodeUnits(...));
        $written = [];

        foreach ($members as $name => $value) {
            $written[] = json_encode((string) $name, self::FLAGS).':'.self::any($value);
        }

        return '{'.implode(',', $written).'}';
    }

    private static function byCodeUnits(int|string $one, int|string $other): int
    {
        [$one, $other] = [(string) $one, (string) $other];

        return preg_match('/[^\x00-\x7F]/', $one.$other) === 1
            ? strcmp(mb_convert_encoding($one, 'UTF-16BE', 'UTF-8'), mb_convert_encoding($other, 'UTF-16BE', 'UTF-8'))
            : strcmp($one, $other);
    }
}
