<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Elmstone\Core\Money\Refused;

/**
 * What this request asks, as a digest: kept with what is done under its key, so that the same key with other figures is
 * not answered as if those had been done.
 */
final class Asked
{
    /** @var array<string, string> digest by key */
    private array $digests = [];

    public function under(string $key, string $digest): void
    {
        $this->digests[$key] = $digest;
    }

    /** @return string|null null: what is done under this key was not asked by a page */
    public function digest(string $key): ?string
    {
        return $this->digests[$key] ?? null;
    }

    /** @throws Refused other_figures */
    public function assertSame(string $key, mixed $kept): void
    {
        $now = $this->digest($key);

        if ($now !== null && is_string($kept) && $kept !== '' && ! hash_equals($kept, $now)) {
            throw Refused::because(
                'other_figures',
                'This was asked before with other figures, and those were posted. Nothing more was done: load the '
                    .'page again and look how things stand.',
            );
        }
    }
}
