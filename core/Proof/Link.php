<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

/** One link of a chain: the digest of what something says together with the digest of the one before it. */
final class Link
{
    /** Before the first. */
    public const NONE = '0000000000000000000000000000000000000000000000000000000000000000';

    /**
     * @param  array<string, mixed>  $says
     * @return string SHA-256 (FIPS 180-4), 64 hexadecimal digits
     */
    public static function of(array $says, string $before): string
    {
        return hash('sha256', CanonicalJson::of(['before' => $before, ...$says]));
    }

    /**
     * The same of what is written as canonical JSON already.
     *
     * @param  array<string, string>  $parts canonical JSON by the part's name, which is plain letters
     */
    public static function ofWritten(array $parts, string $before): string
    {
        return hash('sha256', self::text($parts, $before));
    }

    /**
     * What the digest is of.
     *
     * @param  array<string, string>  $parts canonical JSON by the part's name, which is plain letters
     */
    public static function text(array $parts, string $before): string
    {
        $parts['before'] = "\"{$before}\"";
        ksort($parts, SORT_STRING);
        $written = [];

        foreach ($parts as $name => $part) {
            $written[] = "\"{$name}\":{$part}";
        }

        return '{'.implode(',', $written).'}';
    }
}
