<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Support\Facades\DB;

/** Writes the chart of accounts. */
final class BookAccounts
{
    /** @return bool false: somebody changed it since that version */
    public static function rename(Account $account, string $number, string $name, int $version): bool
    {
        return DB::table('accounts')->where('code', $account->code)->where('version', $version)->update([
            'number' => $number,
            'name' => $name,
            'version' => $version + 1,
        ]) === 1;
    }

    /** An account of the house's own, for entries by hand. */
    public static function add(string $number, string $name, AccountKind $kind): void
    {
        DB::table('accounts')->insert([
            'code' => "own:{$number}",
            'role' => 'own',
            'name' => $name,
            'number' => $number,
            'kind' => $kind->value,
            'by_hand' => true,
        ]);
    }
}
