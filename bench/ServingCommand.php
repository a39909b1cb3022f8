<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Shop\Till;
use Elmstone\Support\SideBySide;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Whole sales through nginx and php-fpm from several tills at once: scan, scan, cash, post; how many a second, how long
 * each took, and who took the processors meanwhile. Prints a table.
 */
final class ServingCommand extends Command
{
    protected $signature = 'bench:serving {--address=} {--seconds=20} {--tills=1,4,8,16}';

    protected $description = 'Measure sales a second from several tills at once';

    /** Seconds for all to sign in. */
    private const SIGNING_IN = 2;

    private const HEAD = '| tills | sales a second | posting p50, ms | posting p95, ms | empty pages a second '
        ."| empty p95, ms | cores: database | application | who asks |\n|---:|---:|---:|---:|---:|---:|---:|---:|---:|";

    public function handle(): int
    {
        $this->line(self::HEAD);

        $tills = $this->option('tills');

        foreach (explode(',', is_string($tills) ? $tills : '') as $tills) {
            $floor = $this->at((int) $tills, static fn (Browser $clerk): float => self::timed(
                static fn (): string => $clerk->fetch('/up'),
            ));
            $before = Cores::taken();
            $sales = $this->at((int) $tills, $this->sale(...));
            $this->line(sprintf(
                '| %d | %.1f | %.0f | %.0f | %.0f | %.1f | %.2f | %.2f | %.2f |',
                $tills,
                $sales->count() / $this->seconds(),
                $sales->percentile(50),
                $sales->percentile(95),
                $floor->count() / $this->seconds(),
                $floor->percentile(95),
                ...array_map(
                    fn (float $taken): float => $taken / ($this->seconds() + self::SIGNING_IN),
                    Cores::since($before),
                ),
            ));
        }

        return self::SUCCESS;
    }

    /** @param  callable(Browser): float  $act milliseconds of what is measured in it */
    private function at(int $tills, callable $act): Timings
    {
        $address = $this->option('address');
        $until = microtime(true) + self::SIGNING_IN + $this->seconds();
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
}
