<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Support\SideBySide;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Whole sales through nginx and php-fpm from several tills at once: scan, scan, cash, post; how many a second, and how
 * long each took.
 */
final class ServingCommand extends Command
{
    protected $signature = 'bench:serving {--address=} {--seconds=20} {--items=20000} {--under=nginx and php-fpm}';

    protected $description = 'Measure sales a second from 1, 4, 8 and 16 tills at once';

    private const TILLS = [1, 4, 8, 16];

    public function handle(Stock200k $shop): int
    {
        $shop->build((int) $this->option('items'), 500);
        $place = (int) Location::query()->orderBy('id')->value('id');

        for ($number = 101; $number <= 100 + max(self::TILLS); $number++) {
            $till = Till::query()->create(['location_id' => $place, 'number' => $number, 'name' => "Till {$number}"]);
            OpenTills::open($till, 1);
        }

        $rows = [];

        foreach (self::TILLS as $tills) {
            $floor = $this->at($tills, static fn (Browser $clerk): float => self::timed(
                static fn (): string => $clerk->fetch('/up'),
            ));
            $sales = $this->at($tills, $this->sale(...));
            $rows[] = sprintf(
                '| %d | %.1f | %.0f | %.0f | %.0f | %.1f |',
                $tills,
                $sales->count() / $this->seconds(),
                $sales->percentile(50),
                $sales->percentile(95),
                $floor->count() / $this->seconds(),
                $floor->percentile(95),
            );
            $this->line(end($rows));
        }

        $this->write($rows);

        return self::SUCCESS;
    }

    /** @param  callable(Browser): float  $act milliseconds of what is measured in it */
    private function at(int $tills, callable $act): Timings
    {
        $address = $this->option('address');
        $until = microtime(true) + 2 + $this->seconds();
        $pieces = [];
        $ids = Till::query()->where('number', '>', 100)->orderBy('number')->limit($tills)->pluck('id')->all();

        foreach ($ids as $id) {
            $pieces[] = static function () use ($address, $id, $until, $act): Timings {
                $clerk = new Browser(is_string($address) ? $address : '');
                $clerk->signIn('101', (int) $id);
                $timings = new Timings;

                while (microtime(true) < $until) {
                    $timings->add($act($clerk));
                }

                return $timings;
            };
        }

        DB::disconnect();
        $all = new Timings;

        foreach ((new SideBySide(max(1, $tills)))->each($pieces) as $timings) {
            $all->addAll($timings);
        }

        return $all;
    }

    /** @return float milliseconds of the posting */
    private function sale(Browser $clerk): float
    {
        $slip = (string) Str::uuid();
        $do = static fn (string $act, array $fields): string => $clerk->post(
            "/counter/{$slip}/{$act}",
            [...$fields, 'act' => (string) Str::uuid(), 'version' => ''],
        );
        $do('add', ['entry' => 'LH-1140']);
        $do('add', ['entry' => '2 x AD-0207']);
        $page = $do('cash', ['cash' => '500']);
        $version = preg_match('/data-version="(\d+)"/', $page, $found) === 1 ? $found[1] : '';

        return self::timed(static fn (): string => $clerk->post("/counter/{$slip}/post", [
            'act' => (string) Str::uuid(), 'version' => $version,
        ]));
    }

    private static function timed(callable $act): float
    {
        $began = hrtime(true);
        $act();

        return (hrtime(true) - $began) / 1e6;
    }

    private function seconds(): int
    {
        return max(1, (int) $this->option('seconds'));
    }

    /** @param  list<string>  $rows */
    private function write(array $rows): void
    {
        $under = $this->option('under');
        $report = sprintf(
            "# Serving, measured on %s\n\n%d cores that the database, the application and who asks share, PHP %s, %s, "
                ."opcache preloading, durable commits. A sale is four requests: two scans, cash, post.\n\n"
                .'| tills | sales a second | posting p50, ms | posting p95, ms | empty pages a second '
                ."| empty p95, ms |\n"
                ."|---:|---:|---:|---:|---:|---:|\n%s\n",
            date('j M Y'),
            (int) shell_exec('nproc'),
            PHP_VERSION,
            is_string($under) ? $under : '',
            implode("\n", $rows),
        );
        $this->line($report);
        file_put_contents(base_path('bench/serving.md'), $report);
    }
}
