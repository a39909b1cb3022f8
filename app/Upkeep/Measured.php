<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** What the house measures of itself: counts by time taken, kept by day and machine. */
final class Measured
{
    public const POSTING = 'posting';

    public const BROKEN = 'broken';

    /** Steps in milliseconds; what takes longer than the last is counted as 0. */
    public const STEPS = [25, 50, 100, 200, 400, 800, 1600, 3200];

    public static function add(string $what, int $milliseconds): void
    {
        $step = 0;

        foreach (array_reverse(self::STEPS) as $one) {
            $step = $milliseconds <= $one ? $one : $step;
        }

        DB::statement(
            'INSERT INTO measured (day, node, what, up_to, times, total) VALUES (?, ?, ?, ?, 1, ?) '
                .'ON DUPLICATE KEY UPDATE times = times + 1, total = total + VALUES(total)',
            [ShopTime::today()->format('Y-m-d'), self::node(), $what, $step, $milliseconds],
        );
    }

    /**
     * @param  string|null  $day null: of all days
     * @return array{times: array<int, int>, total: int} by step; milliseconds together
     */
    public static function of(string $what, ?string $day = null): array
    {
        $rows = DB::table('measured')
            ->where('what', $what)
            ->when($day !== null, static fn ($rows) => $rows->where('day', $day))
            ->groupBy('up_to')
            ->selectRaw('up_to, SUM(times) AS times, SUM(total) AS total')
            ->get();
        $times = array_fill_keys([...self::STEPS, 0], 0);

        foreach ($rows as $row) {
            $times[(int) $row->up_to] = (int) $row->times;
        }

        return ['times' => $times, 'total' => (int) $rows->sum('total')];
    }

    /**
     * Within which step 95 of a hundred were done.
     *
     * @param  array<int, int>  $times by step
     * @return int|null milliseconds; 0: longer than the last step; null: there were none
     */
    public static function p95(array $times): ?int
    {
        $sum = 0;
        $all = array_sum($times);

        foreach ([...self::STEPS, 0] as $step) {
            $sum += $times[$step] ?? 0;

            if ($all > 0 && $sum * 100 >= $all * 95) {
                return $step;
            }
        }

        return null;
    }

    private static function node(): string
    {
        return substr((string) preg_replace('/[^\w.-]/', '-', (string) gethostname()), 0, 60);
    }
}
