<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

/** What checking an export found. */
final class Verified
{
    private const MOST = 200;

    public string $shop = '';

    public string $from = '';

    public string $until = '';

    public string $fingerprint = '';

    /** @var array<string, string> fingerprints of other keys that closed days were signed with */
    public array $otherKeys = [];

    public int $documents = 0;

    public int $days = 0;

    public int $faultCount = 0;

    /** @var list<string> the first faults, in words */
    public array $faults = [];

    public function fault(string $words): void
    {
        $this->faultCount++;

        if (count($this->faults) < self::MOST) {
            $this->faults[] = $words;
        }
    }

    public function isRight(): bool
    {
        return $this->faultCount === 0;
    }
}
