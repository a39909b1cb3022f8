<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Core\Money\Money;
use Elmstone\Interchange\Bank\BankEntry;

trait BankEntries
{
    /** @return array<string, string>|null what an entry pays of each document; null: oldest due first */
    private static function shares(BankEntry $entry): ?array
    {
        return $entry->shares === null
            ? null
            : array_map(static fn (Money $share): string => $share->toString(), $entry->shares);
    }
}
