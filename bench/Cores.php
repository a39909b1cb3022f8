<?php

declare(strict_types=1);

namespace Elmstone\Bench;

/** Processor time, in seconds: the database’s, the application’s, and that of who asks it, which is this process. */
final class Cores
{
    private const DATABASE = ['mariadbd'];

    private const APPLICATION = ['php-fpm8.2', 'nginx'];

    /** Ticks a second, in which Linux counts (proc(5), USER_HZ). */
    private const TICKS = 100;

    /** @return array{float, float, float} the database’s, the application’s, and of who asks */
    public static function taken(): array
    {
        $taken = [0.0, 0.0, 0.0];

        foreach (glob('/proc/[0-9]*/stat') ?: [] as $file) {
            // One that ended meanwhile is counted by who began it.
            $stat = (string) @file_get_contents($file);

            if (preg_match('/^(\d+) \((.*)\) (.*)$/s', $stat, $found) !== 1) {
                continue;
            }

            // Its own in the program and in the kernel, and that of those it has waited for.
            $seconds = array_sum(array_slice(explode(' ', $found[3]), 11, 4)) / self::TICKS;
            match (true) {
                in_array($found[2], self::DATABASE, true) => $taken[0] += $seconds,
                in_array($found[2], self::APPLICATION, true) => $taken[1] += $seconds,
                (int) $found[1] === getmypid() => $taken[2] += $seconds,
                default => null,
            };
        }

        return $taken;
    }

    /**
     * @param  array{float, float, float}  $before
     * @return array{float, float, float}
     */
    public static function since(array $before): array
    {
        $now = self::taken();

        return [$now[0] - $before[0], $now[1] - $before[1], $now[2] - $before[2]];
    }
}
