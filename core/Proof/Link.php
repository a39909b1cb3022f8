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
}
