<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Closure;
use Elmstone\Core\Money\Money;
use Elmstone\Layaways\Layaway;
use Elmstone\Reminders\DueReminders;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Builds a shop with many layaways and measures holding, paying, completing and the worklists. */
final class LayawaysCommand extends Command
{
    protected $signature = 'bench:layaways {--address=} {--layaways=50000} {--rounds=100}';

    protected $description = 'Measure layaways';

    /** @var list<array{string, string, string, string}> what, figure, floor, aim */
    private array $rows = [];

    public function handle(Layaways50k $shop, House $house, DueReminders $due): int
    {
        $this->line('building the shop');
        $customers = $shop->build();
        $clerk = Browser::of($this);
        $clerk->signIn('201', 1);
        $this->hold($clerk, $customers[0])();
        $shop->multiply((int) $this->option('layaways'));
        $this->line('measuring with '.number_format(Layaway::query()->count()).' layaways');
        $this->counter($clerk, $customers, $house);
        $this->lists($clerk, $due);
        $machine = sprintf(
            '%d cores, %s, PHP %s, %s',
            (int) shell_exec('nproc'),
            php_uname('s').' '.php_uname('m'),
            PHP_VERSION,
            DB::scalar('SELECT VERSION()'),
        );
        $table = implode(
            '',
            array_map(static fn (array $row): string => '| '.implode(' | ', $row)." |\n", $this->rows),
        );
        $report = '# Layaways, measured on '
            .date('j M Y')
            ."\n\n{$machine}. "
            .number_format((int) $this->option('layaways'))
            ." layaways of 2,000 customers; durable commits; PHP's own server with several workers. Floors are from "
            ."the same run.\n\n| | measured | floor | aim |\n|---|---:|---:|---|\n{$table}";
        $this->line($report);
        file_put_contents(base_path('bench/layaways.md'), $report);

        return self::SUCCESS;
    }

    /** @param  list<int>  $customers */
    private function counter(Browser $clerk, array $customers, House $house): void
    {
        $timings = array_map(
            static fn (): Timings => new Timings,
            array_flip(['empty', 'sql', 'cash', 'hold', 'pay', 'complete']),
        );

        for ($round = -8; $round < (int) $this->option('rounds'); $round++) {
            if ($round === 0) {
                $timings = array_map(static fn (): Timings => new Timings, $timings);
            }

            $customer = $customers[(($round + 8) * 13) % count($customers)];
            $timings['empty']->time(static fn (): string => $clerk->get('/up'));
            $timings['cash']->time($this->sale($clerk, $customer));
            $timings['hold']->time($this->hold($clerk, $customer));
            $made = Layaway::query()->where('id', '>', 2)->latest('made_at')->latest('id')->firstOrFail();
            $timings['pay']->time($this->pay($clerk, $made, $house->money(3000), false));
            $made->refresh();
            $timings['complete']->time($this->pay($clerk, $made, $made->remaining(), true));
        }

        $this->sale($clerk, $customers[1])();
        $floor = new SqlFloor;

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $timings['sql']->time($floor->sale(...));
        }

        $cash = $timings['cash']->percentile(95);
        $of = static fn (string $name): string => sprintf(
            '%.1f ms (p50 %.1f)',
            $timings[$name]->percentile(95),
            $timings[$name]->percentile(50),
        );
        $this->row(
            'Posting a cash sale of two lines, p95',
            $of('cash'),
            sprintf(
                '%.1f ms, the same rows by plain SQL; %.1f ms, an empty route',
                $timings['sql']->percentile(95),
                $timings['empty']->percentile(95),
            ),
            '',
        );

        foreach (
            [
                'hold' => 'Holding the same as a layaway, p95',
                'pay' => 'A payment on it, p95',
                'complete' => 'The last payment, and the goods leave, p95',
            ] as $name => $words
        ) {
            $this->row(
                $words,
                $of($name),
                sprintf('%.2f times a cash sale', $timings[$name]->percentile(95) / $cash),
                'at most 1.3 times',
            );
        }
    }

    private function lists(Browser $clerk, DueReminders $due): void
    {
        $empty = new Timings;

        foreach (
            [
                'due' => 'Worklist, next due',
                'behind' => 'Worklist, behind',
                'ready' => 'Worklist, ready to collect',
                'expiring' => 'Worklist, expiring',
                'ended' => 'Worklist, ended',
            ] as $tab => $words
        ) {
            $timing = new Timings;
            array_map(static fn (): string => $clerk->get("/layaways?tab={$tab}"), range(1, 6));

            for ($round = 0; $round < 40; $round++) {
                $empty->time(static fn (): string => $clerk->get('/up'));
                $timing->time(static fn (): string => $clerk->get("/layaways?tab={$tab}&page=".(1 + ($round % 5))));
            }

            $this->row(
                "{$words}, p95",
                sprintf('%.1f ms (p50 %.1f)', $timing->percentile(95), $timing->percentile(50)),
                sprintf('%.1f ms, an empty route', $empty->percentile(95)),
                'under 80 ms',
            );
        }

        $started = hrtime(true);
        $count = count($due->on(ShopTime::today()));
        $this->row(
            'Finding the '.number_format($count).' reminders of a day',
            sprintf('%.0f ms', (hrtime(true) - $started) / 1e6),
            '',
            '',
        );
    }

    /** @return Closure(): string the posting of a slip that is ready */
    private function sale(Browser $clerk, int $customer): Closure
    {
        [$slip, $do] = $this->slip($clerk, $customer);

        return $this->posting($do, $do('cash', ['cash' => '900']));
    }

    /** @return Closure(): string */
    private function hold(Browser $clerk, int $customer): Closure
    {
        [$slip, $do] = $this->slip($clerk, $customer);
        $do('hold', ['rest' => '1']);

        return $this->posting($do, $do('cash', ['cash' => '900']));
    }

    /** @return Closure(): string */
    private function pay(Browser $clerk, Layaway $layaway, Money $amount, bool $leaves): Closure
    {
        $slip = (string) Str::uuid();
        $do = $this->doing($clerk, $slip);
        $do('add', ['entry' => $layaway->label]);
        $do("layaways/{$layaway->label}/amount", ['amount' => $amount->toString()]);
        $leaves && $do("layaways/{$layaway->label}/leaves", ['leaves' => '1']);

        return $this->posting($do, $do('cash', ['cash' => '900']));
    }

    /** @return array{string, Closure(string, array<string, string>): string} */
    private function slip(Browser $clerk, int $customer): array
    {
        $slip = (string) Str::uuid();
        $do = $this->doing($clerk, $slip);
        $do('customer', ['customer' => (string) $customer]);
        $do('add', ['entry' => 'MA-0031']);
        $do('add', ['entry' => '2 x AD-0207']);

        return [$slip, $do];
    }

    /** @return Closure(string, array<string, string>): string */
    private function doing(Browser $clerk, string $slip): Closure
    {
        return static fn (
            string $act,
            array $fields,
        ): string => $clerk->post("/counter/{$slip}/{$act}", ['act' => (string) Str::uuid(), ...$fields]);
    }

    /**
     * @param  Closure(string, array<string, string>): string  $do
     * @return Closure(): string
     */
    private function posting(Closure $do, string $page): Closure
    {
        preg_match('/data-version="(\d+)"/', $page, $found);

        return static function () use ($do, $found): string {
            $answer = $do('post', ['version' => $found[1] ?? '']);

            return str_contains($answer, 'Posted as') ? $answer : throw new \RuntimeException('It was not posted.');
        };
    }

    private function row(string $what, string $measured, string $floor, string $aim): void
    {
        $this->rows[] = [$what, $measured, $floor, $aim];
        $this->line("  {$what}: {$measured} (floor: {$floor})");
    }
}
