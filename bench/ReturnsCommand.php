<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Closure;
use Elmstone\Books\Document;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;

/** Builds a customer with many purchases and measures finding what can come back, and posting it. */
final class ReturnsCommand extends Command
{
    protected $signature = 'bench:returns {--address=} {--purchases=5000} {--rounds=100}';

    protected $description = 'Measure returns';

    /** @var list<array{string, string, string, string}> what, figure, floor, aim */
    private array $rows = [];

    public function handle(Purchases5k $shop): int
    {
        $this->line('building the shop');
        [$customer, $other] = $shop->build();
        // What is measured is posting, not how much one person may hand out in a day.
        DB::table('role_limits')->insert([
            'role' => 'supervisor',
            'matter' => 'cash',
            'per_document' => null,
            'per_original' => null,
            'per_day' => null,
            'approves' => null,
        ]);
        $clerk = Browser::of($this);
        $clerk->signIn('201', 1);

        foreach (
            [
                ['MA-0031', '2 x AD-0207', '3 x PI-2800', 'LH-1140'],
                ['LH-1140', 'TI-1006', '50 x FX-5060', 'AD-0207'],
                ['PI-2800', 'VA-2214', 'LH-1141', 'TI-1029'],
                ['LH-1300', '2 x LH-1141', 'SU-0011', 'AD-0207'],
            ] as $entries
        ) {
            $this->sold($clerk, $other, $entries)();
        }

        $shop->multiply((int) $this->option('purchases'), $customer, $other);
        $this->line(
            'measuring with '
                .number_format(DB::table('documents')->where('customer_id', $customer)->count())
                .' purchases of '
                .number_format(DB::table('documents')->count()),
        );
        $this->finding($clerk, $customer);
        $this->posting($clerk, $other);
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
        $report = '# Returns, measured on '
            .date('j M Y')
            ."\n\n{$machine}. A customer with "
            .number_format((int) $this->option('purchases'))
            ." purchases of four lines, among eleven times as many; durable commits; PHP's own server with several "
            ."workers. Floors are from the same run.\n\n| | measured | floor | aim |\n|---|---:|---:|---|\n{$table}";
        $this->line($report);
        file_put_contents(base_path('bench/returns.md'), $report);

        return self::SUCCESS;
    }

    private function finding(Browser $clerk, int $customer): void
    {
        $slip = (string) Str::uuid();
        $this->doing($clerk, $slip)('customer', ['customer' => (string) $customer]);

        foreach (
            [
                '' => 'the newest',
                'LH-1300' => 'by an item’s code',
                'copper pipe' => 'by part of what it is',
                'saw' => 'by one word',
            ] as $typed => $words
        ) {
            [$empty, $timing] = [new Timings, new Timings];
            $find = static fn (): string => $clerk->fetch("/counter/{$slip}/back/find?q=".urlencode($typed));
            str_contains($find(), 'back-quantity') || throw new RuntimeException("Nothing was found by “{$typed}”.");
            array_map(static fn (): string => $find(), range(1, 6));

            for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
                $empty->time(static fn (): string => $clerk->get('/up'));
                $timing->time($find);
            }

            $this->row(
                "What can come back, {$words}, p95",
                sprintf('%.1f ms (p50 %.1f)', $timing->percentile(95), $timing->percentile(50)),
                sprintf('%.1f ms, an empty route', $empty->percentile(95)),
                'under 60 ms',
            );
        }
    }

    private function posting(Browser $clerk, int $customer): void
    {
        $timings = array_map(
            static fn (): Timings => new Timings,
            array_flip(['empty', 'sql', 'sale', 'back', 'exchange']),
        );

        for ($round = -8; $round < (int) $this->option('rounds'); $round++) {
            if ($round === 0) {
                $timings = array_map(static fn (): Timings => new Timings, $timings);
            }

            $timings['empty']->time(static fn (): string => $clerk->get('/up'));
            $timings['sale']->time($this->sold($clerk, $customer, ['MA-0031', '2 x AD-0207']));
            $timings['back']->time(
                $this->back($clerk, Document::query()->where('kind', 'invoice')->latest('id')->firstOrFail(), null),
            );
            $this->sold($clerk, $customer, ['MA-0031', '2 x AD-0207'])();
            $timings['exchange']->time(
                $this->back(
                    $clerk,
                    Document::query()->where('kind', 'invoice')->latest('id')->firstOrFail(),
                    'LH-1140',
                ),
            );
        }

        $floor = new SqlFloor;

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $timings['sql']->time($floor->sale(...));
        }

        $sale = $timings['sale']->percentile(95);
        $of = static fn (string $name): string => sprintf(
            '%.1f ms (p50 %.1f)',
            $timings[$name]->percentile(95),
            $timings[$name]->percentile(50),
        );
        $this->row(
            'Posting a cash sale of two lines, p95',
            $of('sale'),
            sprintf(
                '%.1f ms, the same rows by plain SQL; %.1f ms, an empty route',
                $timings['sql']->percentile(95),
                $timings['empty']->percentile(95),
            ),
            '',
        );
        $this->row(
            'Both lines come back, for cash, p95',
            $of('back'),
            sprintf('%.2f times the sale', $timings['back']->percentile(95) / $sale),
            'at most 1.3 times',
        );
        $this->row(
            'The same, and something else is taken along, p95',
            $of('exchange'),
            sprintf('%.2f times the sale', $timings['exchange']->percentile(95) / $sale),
            'two documents',
        );
    }

    /**
     * @param  list<string>  $entries
     * @return Closure(): string
     */
    private function sold(Browser $clerk, int $customer, array $entries): Closure
    {
        $do = $this->doing($clerk, (string) Str::uuid());
        $do('customer', ['customer' => (string) $customer]);

        foreach ($entries as $entry) {
            $do('add', ['entry' => $entry]);
        }

        return $this->ready($do, $do('cash', ['cash' => '900']));
    }

    /** @return Closure(): string */
    private function back(Browser $clerk, Document $sale, ?string $along): Closure
    {
        $do = $this->doing($clerk, (string) Str::uuid());
        // Faulty goods carry no restocking fee that would have to be let off.
        $do('back', [
            "back[{$sale->id}:1]" => '1',
            "back[{$sale->id}:2]" => '2',
            'reason' => 'faulty',
            'goods_to' => 'stock',
            'found_by' => $sale->label,
        ]);

        $along === null || $do('add', ['entry' => $along]);

        return $this->ready($do, $do('refund', ['way' => 'cash', 'rest' => '1']));
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
     * @return Closure(): string the posting of a slip that is ready
     */
    private function ready(Closure $do, string $page): Closure
    {
        preg_match('/data-version="(\d+)"/', $page, $found);

        return static function () use ($do, $found): string {
            $answer = $do('post', ['version' => $found[1] ?? '']);

            return str_contains($answer, 'Posted as') ? $answer : throw new RuntimeException('It was not posted.');
        };
    }

    private function row(string $what, string $measured, string $floor, string $aim): void
    {
        $this->rows[] = [$what, $measured, $floor, $aim];
        $this->line("  {$what}: {$measured} (floor: {$floor})");
    }
}
