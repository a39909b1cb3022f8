<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Every change of a setting: what it was, what it is, who changed it and when. Only ever written, never changed. */
final class SettingRecord
{
    /**
     * @param  array<string, array{string, string}>  $changes before and after, by what was changed
     * @param  int|null  $staff null: nobody is signed in yet, as the shop is set up
     */
    public static function write(string $area, array $changes, ?int $staff): void
    {
        $at = CarbonImmutable::now()->format('Y-m-d H:i:s.v');
        DB::table('setting_changes')->insert(array_map(
            static fn (string $what, array $change): array => [
                'area' => $area,
                'what' => mb_substr($what, 0, 190),
                'old' => $change[0],
                'new' => $change[1],
                'staff_id' => $staff,
                'at' => $at,
            ],
            array_map(strval(...), array_keys($changes)),
            array_values($changes),
        ));
    }

    /**
     * What is different between two readings of the same settings.
     *
     * @param  array<string, string>  $before words by what is set
     * @param  array<string, string>  $after
     * @return array<string, array{string, string}>
     */
    public static function between(array $before, array $after): array
    {
        $changes = [];

        foreach ($before + $after as $what => $_) {
            $change = [$before[$what] ?? '', $after[$what] ?? ''];
            $change[0] === $change[1] || ($changes[$what] = $change);
        }

        return $changes;
    }
}
