<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Carbon\CarbonImmutable;
use Elmstone\Books\Chain\SealedBlocks;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Ledger\Audit\AuditFile;
use Elmstone\Reports\AllReports;
use Elmstone\Staff\Staff;
use Elmstone\Support\Report\Period;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use LogicException;

/** Measures every report over a month and a year, the trial balance, the auditor's file and its check. */
final class ReportsCommand extends Command
{
    protected $signature = 'bench:reports {--address=} {--documents=1000000} {--rounds=12}';

    protected $description = 'Measure reports, the ledger and the export of a year';

    public function handle(Stock200k $shop, LedgerDays $days): int
    {
        // A database that was built before is measured as it is.
        $check = DB::table('documents')->exists() ? null : $this->build($shop);
        $this->line('summing days');
        $summed = new Timings;
        $summed->time(static fn () => $days->sum());
        $this->line('measuring with '.DB::table('documents')->count().' documents');
        $clerk = Browser::of($this);
        $clerk->signIn('901', 1);
        $rows = [];

        foreach (AllReports::of(Staff::query()->where('number', '901')->firstOrFail()) as $report) {
            foreach (array_keys($report->by()) ?: [''] as $by) {
                $rows["{$report->title()} by {$by}"] = $this->both($clerk, $report->key(), $by);
            }
        }

        $report = $this->report($rows, $this->ledger($clerk), $this->floors($clerk), $summed, $check);
        $this->line($report);
        file_put_contents(base_path('bench/reports.md'), $report);

        return self::SUCCESS;
    }

    /** @return float documents a second that are checked from outside */
    private function build(Stock200k $shop): float
    {
        $this->line('building the shop');
        $shop->build(1000, 20000);
        $check = $this->check();
        $this->line('copying documents');
        $shop->multiply((int) $this->option('documents'));

        return $check;
    }

    /** @return array{Timings, Timings} months, and years */
    private function both(Browser $clerk, string $key, string $by): array
    {
        [$month, $year] = [new Timings, new Timings];

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $from = self::month($round);
            $month->time(static fn (): string => $clerk->get("/reports/{$key}?".http_build_query([
                'by' => $by, 'from' => $from->format('Y-m-d'), 'until' => $from->endOfMonth()->format('Y-m-d'),
            ])));
        }

        for ($round = 0; $round < 3; $round++) {
            $until = ShopTime::today()->subDays($round);
            $year->time(static fn (): string => $clerk->get("/reports/{$key}?".http_build_query([
                'by' => $by, 'from' => $until->subYear()->addDay()->format('Y-m-d'),
                'until' => $until->format('Y-m-d'),
            ])));
        }

        $this->line(sprintf('%-32s %8.1f %8.1f', "{$key} {$by}", $month->percentile(95), $year->percentile(95)));

        return [$month, $year];
    }

    /** A month gone by, another one each round. */
    private static function month(int $round): CarbonImmutable
    {
        return ShopTime::today()->startOfMonth()->subMonthsNoOverflow(1 + $round % 11);
    }

    /** @return array{balance: Timings, month: Timings, export: float, size: int, memory: int, kept: float} */
    private function ledger(Browser $clerk): array
    {
        [$balance, $month] = [new Timings, new Timings];

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $day = ShopTime::today()->subDays(17 * $round)->format('Y-m-d');
            $balance->time(static fn (): string => $clerk->get("/ledger?from={$day}&until={$day}"));
            $from = self::month($round);
            $month->time(static fn (): string => $clerk->get('/ledger?'.http_build_query([
                'from' => $from->format('Y-m-d'), 'until' => $from->endOfMonth()->format('Y-m-d'),
            ])));
        }

        $had = Storage::disk('local')->files('sealed');
        $keeping = new Timings;
        $keeping->time(static fn (): int => app(SealedBlocks::class)->keep());
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $start = microtime(true);
        $file = self::export();
        $export = microtime(true) - $start;
        $memory = memory_get_peak_usage() - $before;
        $size = (int) filesize($file);
        unlink($file);
        Storage::disk('local')->delete(array_diff(Storage::disk('local')->files('sealed'), $had));
        $kept = $keeping->sum() / 1000;

        return compact('balance', 'month', 'export', 'size', 'memory', 'kept');
    }

    /** @return string the file with the last twelve months */
    private static function export(): string
    {
        $file = tempnam(sys_get_temp_dir(), 'audit') ?: '';
        $out = fopen($file, 'wb') ?: throw new LogicException('No file can be written.');
        $today = ShopTime::today();

        foreach (app(AuditFile::class)->lines(Period::between($today->subYear()->addDay(), $today)) as $line) {
            fwrite($out, $line);
        }

        fclose($out);

        return $file;
    }

    /** @return float documents a second that are checked from outside; of those that were not copied, and fit */
    private function check(): float
    {
        $file = self::export();
        $documents = max(1, count(preg_grep('/^\{"digest"/', file($file) ?: []) ?: []));
        $start = microtime(true);
        exec('php '.escapeshellarg(base_path('bin/verify')).' '.escapeshellarg($file).' 2>&1', $said, $code);
        $taken = microtime(true) - $start;
        unlink($file);
        $code === 0 || throw new LogicException(implode("\n", $said));

        return $documents / $taken;
    }

    /** @return array<string, Timings> */
    private function floors(Browser $clerk): array
    {
        $floors = ['empty' => new Timings, 'month' => new Timings, 'year' => new Timings];
        $sum = 'SELECT COUNT(*), SUM(d.net), SUM(d.total) FROM documents d WHERE d.business_date BETWEEN ? AND ?';

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $floors['empty']->time(static fn (): string => $clerk->get('/up'));
            $from = self::month($round);
            $floors['month']->time(static fn (): array => DB::select($sum, [
                $from->format('Y-m-d'), $from->endOfMonth()->format('Y-m-d'),
            ]));
            $floors['year']->time(static fn (): array => DB::select($sum, [
                ShopTime::today()->subYear()->format('Y-m-d'), ShopTime::today()->format('Y-m-d'),
            ]));
        }

        return $floors;
    }

    /**
     * @param  array<string, array{Timings, Timings}>  $rows
     * @param  array{balance: Timings, month: Timings, export: float, size: int, memory: int, kept: float}  $ledger
     * @param  array<string, Timings>  $floors
     */
    private function report(array $rows, array $ledger, array $floors, Timings $summed, ?float $check): string
    {
        $line = static fn (string $what, Timings $month, ?Timings $year, string $aim): string => sprintf(
            "| %s | %.0f | %.0f | %s | %s |\n", $what, $month->percentile(50), $month->percentile(95),
            $year === null ? '' : sprintf('%.0f', $year->percentile(95)), $aim,
        );
        $table = '';

        foreach ($rows as $what => [$month, $year]) {
            $table .= $line($what, $month, $year, 'under 300, a year 1,500');
        }

        $documents = DB::table('documents')->count();

        return sprintf(
            "# Reports and the ledger, measured on %s\n\n%d cores, PHP %s. %s documents. Milliseconds, where nothing "
                ."else is said; floors are from the same run.\n\n| | a month, p50 | p95 | a year, p95 | aim |\n"
                ."|---|---:|---:|---:|---|\n%s",
            date('j M Y'), (int) shell_exec('nproc'), PHP_VERSION, number_format($documents), $table,
        )
            .$line('Trial balance of a day', $ledger['balance'], null, 'under 300')
            .$line('Trial balance of a month', $ledger['month'], null, 'under 300')
            .$line('floor: its documents counted and summed by plain SQL', $floors['month'], $floors['year'], '')
            .$line('floor: an empty route', $floors['empty'], null, '')
            .sprintf(
                "\nThe auditor's file of a year: %.1f s, %.0f MB of memory, %.0f MB of text (aim: 60 s, 64 MB). "
                    .'Sealed text written into files once: %.1f s. `bin/verify`: %s documents a second (aim: 20,000). '
                    ."Days summed once: %.1f s.\n",
                $ledger['export'], $ledger['memory'] / 1e6, $ledger['size'] / 1e6, $ledger['kept'],
                $check === null ? 'not measured' : number_format($check), $summed->sum() / 1000,
            );
    }
}
