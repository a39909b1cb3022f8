<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ageing\AgeingReport;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Payments\PaymentOrder;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Receivables\Statements\RunStatements;
use Elmstone\Receivables\Statements\Statement;
use Elmstone\Receivables\Statements\StatementOptions;
use Elmstone\Receivables\Statements\StatementPdf;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Builds a shop with many house accounts and measures what the office and the counter wait for. */
final class AccountsCommand extends Command
{
    protected $signature = 'bench:accounts {--address=} {--server= : process id of the server, for its memory} '
        .'{--accounts=20000} {--rounds=100}';

    protected $description = 'Measure ageing, account pages, charging, payments and statements';

    /** @var list<array{string, string, string, string}> what, figure, floor, aim */
    private array $rows = [];

    public function handle(Accounts20k $shop, AsOf $asOf, House $house): int
    {
        $accounts = (int) $this->option('accounts');
        $this->line('building the shop');
        $documents = $shop->build($accounts);
        $this->line("measuring with {$documents} documents");
        $this->ageing($asOf, $house);
        $this->pages();
        $this->payment($house);
        $this->statements();
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
        $report = '# House accounts, measured on '
            .date('j M Y')
            ."\n\n{$machine}. "
            .number_format($accounts)
            .' accounts, '
            .number_format($documents)
            ." documents; durable commits; PHP's own server with several workers. Floors are from the same run.\n\n| "
            ."| measured | floor | aim |\n|---|---:|---:|---|\n{$table}";
        $this->line($report);
        file_put_contents(base_path('bench/accounts.md'), $report);

        return self::SUCCESS;
    }

    private function ageing(AsOf $asOf, House $house): void
    {
        foreach (['today' => ShopTime::today(), 'a year ago' => ShopTime::today()->subYear()] as $words => $day) {
            $floor = $this->seconds(
                static fn () => DB::select(
                    'SELECT customer_id, due_date, SUM(`open`) FROM open_items WHERE `open` > 0 GROUP BY customer_id, '
                        .'due_date',
                ),
            );
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $taken = $this->seconds(static fn () => AgeingReport::of($asOf, $house, $day));
            $this->row(
                "Ageing of all accounts {$words}",
                sprintf('%.2f s, %.0f MB', $taken, (memory_get_peak_usage() - $before) / 1e6),
                sprintf('%.2f s, one sum over what is open now', $floor),
                $words === 'today' ? 'under 1.2 s' : 'under 3 s',
            );
        }
    }

    private function pages(): void
    {
        $clerk = Browser::of($this);
        $clerk->signIn('301', 1);
        $first = (int) Customer::query()->min('number');
        $ids = Customer::query()->orderBy('id')->limit(4000)->pluck('id', 'number')->all();
        $timings = array_map(
            static fn (): Timings => new Timings,
            array_flip(['empty', 'page', 'ageing', 'cash', 'charge', 'find']),
        );

        for ($round = -8; $round < (int) $this->option('rounds'); $round++) {
            if ($round === 0) {
                $timings = array_map(static fn (): Timings => new Timings, $timings);
            }

            $number = $first + ((($round + 8) * 137) % count($ids));
            $timings['empty']->time(static fn (): string => $clerk->get('/up'));
            $timings['page']->time(static fn (): string => $clerk->get("/accounts/{$number}"));
            $timings['cash']->time($this->posting($clerk, (int) $ids[$number], false));
            $timings['charge']->time($this->posting($clerk, (int) $ids[$number], true));
            $round % 20 === 0 && $timings['ageing']->time(static fn (): string => $clerk->get('/accounts'));
            $timings['find']->time(
                static fn (): string => $clerk->get(
                    '/counter/'.Str::uuid().'/find?q='.urlencode("works {$number}"),
                ),
            );
        }

        $empty = sprintf('%.1f ms, an empty route', $timings['empty']->percentile(95));
        $of = static fn (string $name): string => sprintf(
            '%.1f ms (p50 %.1f)',
            $timings[$name]->percentile(95),
            $timings[$name]->percentile(50),
        );
        $this->row(
            'Memory of a process that serves these pages, at most',
            sprintf('%.0f MB', $this->serverMemory()),
            '',
            '',
        );
        $this->row('Account page, p95', $of('page'), $empty, 'under 80 ms');
        $this->row('Ageing page, p95', $of('ageing'), $empty, 'under 300 ms');
        $this->row('Entry line finds a customer, p95', $of('find'), $empty, 'under 40 ms');
        $this->row('Posting a cash sale of three lines, p95', $of('cash'), $empty, '');
        $this->row(
            'Posting the same charged to the account, p95',
            $of('charge'),
            sprintf('%.2f times a cash sale', $timings['charge']->percentile(95) / $timings['cash']->percentile(95)),
            'at most 1.3 times',
        );
    }

    /** The most that any process of the server ever held, in megabytes. */
    private function serverMemory(): float
    {
        $most = 0;

        foreach (explode("\n", trim((string) shell_exec('pgrep -g '.(int) $this->option('server')))) as $process) {
            $status = "/proc/{$process}/status";
            preg_match(
                '/^VmHWM:\s+(\d+) kB/m',
                is_readable($status) ? (string) file_get_contents($status) : '',
                $found,
            );
            $most = max($most, (int) ($found[1] ?? 0));
        }

        return $most / 1024;
    }

    /** @return callable(): string the posting of a slip that is ready */
    private function posting(Browser $clerk, int $customer, bool $charged): callable
    {
        $slip = (string) Str::uuid();
        $do = static fn (string $act, array $fields): string => $clerk->post("/counter/{$slip}/{$act}", [
            'act' => (string) Str::uuid(),
            ...$fields,
        ]);
        $do('customer', ['customer' => (string) $customer]);

        foreach (['LH-1140', 'AD-0207', 'PI-2800'] as $code) {
            $do('add', ['entry' => $code]);
        }

        $page = $charged ? $do('charge', ['rest' => '1']) : $do('cash', ['cash' => '500']);
        preg_match('/data-version="(\d+)"/', $page, $found);

        return static fn (): string => $do('post', ['version' => $found[1] ?? '']);
    }

    private function payment(House $house): void
    {
        $customer = (int) HouseAccount::query()->orderBy('customer_id')->skip(3)->value('customer_id');
        DB::statement("UPDATE open_items SET `open` = amount WHERE customer_id = {$customer} AND kind = 'charge'");
        $other = DB::table('open_items')
            ->where('kind', 'charge')
            ->where('customer_id', '>', $customer)
            ->orderBy('customer_id')
            ->limit(465)
            ->pluck('document_id')
            ->all();
        DB::table('open_items')
            ->whereIn('document_id', $other)
            ->update(['customer_id' => $customer, 'open' => DB::raw('amount')]);
        $open = (int) DB::table('open_items')->where('customer_id', $customer)->where('kind', 'charge')->sum('open');
        DB::table('house_accounts')
            ->where('customer_id', $customer)
            ->update(['balance' => $open]);
        $count = DB::table('open_items')->where('customer_id', $customer)->where('open', '>', 0)->count();
        $floor = $this->seconds(static function () use ($count): void {
            DB::transaction(static function () use ($count): void {
                DB::statement(
                    'INSERT INTO allocations (customer_id, credit_id, charge_id, amount, business_date, staff_id, '
                        .'act) SELECT customer_id, credit_id, charge_id, 1, CURDATE(), 8, UUID() FROM allocations '
                        ."LIMIT {$count}",
                );
                DB::rollBack();
                DB::beginTransaction();
            });
        });
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $order = new PaymentOrder(
            $customer,
            Money::ofMinor($open, $house->currency()),
            TenderKind::Cheque,
            'bench',
            ShopTime::today(),
            (string) Str::uuid(),
        );
        $till = Till::query()->with('location')->firstOrFail();
        $by = Staff::query()->where('role', 'office')->firstOrFail();
        $taken = $this->seconds(static fn (): int => app(TakePayment::class)->handle($order, $till, $by));
        $this->row(
            "A payment spread over {$count} items",
            sprintf('%.0f ms, %.1f MB', $taken * 1000, (memory_get_peak_usage() - $before) / 1e6),
            sprintf('%.0f ms, the allocations by plain SQL', $floor * 1000),
            '',
        );
    }

    private function statements(): void
    {
        $make = app(RunStatements::class);
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $run = $make->begin(
            StatementOptions::of(ShopTime::today()),
            Staff::query()->where('role', 'office')->firstOrFail(),
        );
        $made = $this->seconds(static function () use ($make, $run): void {
            for ($i = 0; $i < 100; $i++) {
                $make->step($run, 10);
            }
        });
        $pdf = new StatementPdf;
        $drawn = $this->seconds(static function () use ($run, $pdf): void {
            foreach (
                Statement::query()->where('run_id', $run->id)->where('state', 'made')->limit(1000)
                    ->lazy(100) as $statement
            ) {
                $pdf->of([$statement->paper()]);
            }
        });
        $read = $this->seconds(static fn () => DB::table('open_items')->where('open', '>', 0)->limit(5000)->get());
        $this->row(
            '1,000 statements made and kept, each',
            sprintf('%.1f ms', $made),
            sprintf('%.2f ms, reading their items by plain SQL', $read),
            '',
        );
        $this->row(
            '1,000 statements with their PDF, each',
            sprintf('%.1f ms, %.0f MB in all', $made + $drawn, (memory_get_peak_usage() - $before) / 1e6),
            sprintf('%.1f ms, the PDF alone', $drawn),
            'under 60 ms',
        );
    }

    private function row(string $what, string $measured, string $floor, string $aim): void
    {
        $this->rows[] = [$what, $measured, $floor, $aim];
        $this->line("  {$what}: {$measured} (floor: {$floor})");
    }

    /** @param  callable(): mixed  $do */
    private function seconds(callable $do): float
    {
        $started = hrtime(true);
        $do();

        return (hrtime(true) - $started) / 1e9;
    }
}
