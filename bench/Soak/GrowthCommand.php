<?php

declare(strict_types=1);

namespace Elmstone\Bench\Soak;

use Elmstone\Bench\Timings;
use Illuminate\Console\Command;

/**
 * Whether anything grew: what the tills wrote down of their times, and what was seen of workers and the database
 * every few seconds, in six parts of the whole. Times are held against those of an empty page in the same part.
 */
final class GrowthCommand extends Command
{
    protected $signature = 'soak:growth {folder}';

    protected $description = 'See whether memory, connections or waiting grew while it was worked';

    private const PARTS = 6;

    /** What the last third may be of the first, of which the very beginning is left out. */
    private const MORE = 1.5;

    /** What memory may be: a worker that has seen every page has read in every class. */
    private const MORE_MEMORY = 1.15;

    private const HEAD = '| part | acts | posted | posting p50, ms | posting p95, ms | scan p95, ms '
        .'| empty page p95, ms | workers, MB each, at most | all workers, MB | connections, at most |'
        ."\n|---:|---:|---:|---:|---:|---:|---:|---:|---:|---:|\n";

    public function handle(): int
    {
        $folder = is_string($this->argument('folder')) ? $this->argument('folder') : '';
        $parts = $this->parts($folder);
        $this->line(self::HEAD.implode("\n", array_map(self::row(...), array_keys($parts), $parts)));
        [$first, $last] = [$parts[1], $parts[self::PARTS - 1]];
        $machine = max(1.0, $last['empty'] / $first['empty']);
        $grew = array_filter([
            'posting' => $last['posting'] / $first['posting'] / $machine > self::MORE,
            'memory of the largest worker' => $last['largest'] / $first['largest'] > self::MORE_MEMORY,
            'memory of all workers' => $last['workers'] / $first['workers'] > self::MORE_MEMORY,
            'connections' => $last['connections'] > $first['connections'] * self::MORE,
        ]);
        array_map(fn (string $what) => $this->error("It grew: {$what}"), array_keys($grew));

        return $grew === [] ? self::SUCCESS : self::FAILURE;
    }

    /** @return non-empty-list<array<string, float>> */
    private function parts(string $folder): array
    {
        $times = self::rows("{$folder}/times-*");
        $seen = self::rows("{$folder}/samples");
        $moments = array_map(intval(...), array_column($times, 0));
        $begin = min($moments ?: [0]);
        $each = max(1, (max($moments ?: [0]) - $begin) / self::PARTS);
        $part = static fn (array $row): int => (int) min(self::PARTS - 1, max(0, ((int) $row[0] - $begin) / $each));

        return array_map(static function (int $number) use ($times, $seen, $part): array {
            $in = static fn (array $row): bool => $part($row) === $number;
            $times = array_filter($times, $in);
            $seen = array_filter($seen, $in);
            $of = static function (string $what) use ($times): Timings {
                $timings = new Timings;

                foreach ($times as [, $name, $took]) {
                    str_starts_with($name, $what) && $timings->add((float) $took);
                }

                return $timings;
            };
            $most = static fn (int $column): float => max([0.001, ...array_map(
                static fn (array $row): float => (float) $row[$column],
                array_values($seen),
            )]);
            $posted = $of('post ');

            return [
                'acts' => count($times), 'posted' => $posted->count(), 'p50' => $posted->percentile(50),
                'posting' => $posted->percentile(95), 'scan' => $of('scan')->percentile(95),
                'empty' => $of('empty page')->percentile(95), 'largest' => $most(1), 'workers' => $most(2),
                'connections' => $most(3),
            ];
        }, range(0, self::PARTS - 1));
    }

    /** @return list<list<string>> */
    private static function rows(string $files): array
    {
        $rows = [];

        foreach (glob($files) ?: [] as $file) {
            foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
                $rows[] = explode("\t", $line);
            }
        }

        return $rows === [] ? throw new \LogicException("Nobody worked: there is nothing in {$files}.") : $rows;
    }

    /** @param  array<string, float>  $part */
    private static function row(int $number, array $part): string
    {
        return sprintf(
            '| %d | %d | %d | %.0f | %.0f | %.0f | %.0f | %.0f | %.0f | %d |',
            $number + 1,
            ...array_values($part),
        );
    }
}
