<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Shop\House;

/** Why goods are written off, as the shop has set it: what it is called, and whether it is offered. */
final class WriteOffReasons
{
    /** What a setting of one begins with, so that none is taken for one of what comes back. */
    public const SET = 'off_';

    public function __construct(private readonly House $house)
    {
    }

    public function words(WriteOffReason $reason): string
    {
        $words = $this->set($reason, 'words');

        return is_string($words) && $words !== '' ? $words : $reason->shippedWords();
    }

    public function isOffered(WriteOffReason $reason): bool
    {
        return (bool) ($this->set($reason, 'offered') ?? true);
    }

    /** @return non-empty-list<WriteOffReason> one that all are taken from has all */
    public function offered(): array
    {
        $offered = array_values(array_filter(WriteOffReason::cases(), $this->isOffered(...)));

        return $offered === [] ? WriteOffReason::cases() : $offered;
    }

    private function set(WriteOffReason $reason, string $what): mixed
    {
        return $this->house->shop()->reasons[self::SET."{$reason->value}_{$what}"] ?? null;
    }
}
