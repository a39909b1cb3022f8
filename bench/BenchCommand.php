<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Customers\SaveCustomer;
use Elmstone\Demo\Chance;
use Elmstone\Demo\DemoCustomers;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Support\ShopTime;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Builds the large shop and measures it at two sizes. */
final class BenchCommand extends Command
{
    protected $signature = 'bench:run {--address=} {--items=200000} {--small=20000} {--large=200000} {--rounds=120}';

    protected $description = 'Measure what people wait for';

    public function handle(Stock200k $shop, SaveCustomer $save, ManageAccount $manage): int
    {
        $this->line('building the shop');
        $shop->build((int) $this->option('items'), (int) $this->option('small'));
        (new DemoCustomers(new Chance(8), ShopTime::today(), $save, $manage))->build();
        $small = $this->measured();
        $this->line('copying documents');
        $shop->multiply((int) $this->option('large'));
        $large = $this->measured();
        $report = SalesReport::of($small, $large);
        $this->line($report);
        file_put_contents(base_path('bench/results.md'), $report);

        return self::SUCCESS;
    }

    /** @return array<string, float> milliseconds, sales a second, or how many there are */
    private function measured(): array
    {
        [$documents, $items] = [DB::table('documents')->count(), DB::table('items')->count()];
        $this->line("measuring with {$documents} documents");
        $clerk = Browser::of($this);
        $clerk->signIn('201', 1);
        $rounds = (int) $this->option('rounds');
        $codes = array_values(
            array_map(strval(...), DB::table('items')->where('code', 'like', 'B%')->limit(5000)->pluck('code')->all()),
        );
        $timings = array_map(
            static fn (): Timings => new Timings,
            array_flip(['empty', 'sql', 'add', 'theirs', 'find', 'post', 'register']),
        );

        $floor = null;
        $accounts = DB::table('house_accounts')->orderBy('customer_id')->pluck('customer_id')->all();

        for ($round = -10; $round < $rounds; $round++) {
            if ($round === 0) {
                $timings = array_map(static fn (): Timings => new Timings, $timings);
            }

            $timings['empty']->time(static fn (): string => $clerk->get('/up'));
            $slip = $this->slip($clerk, $codes, $timings['add']);
            $timings['post']->time(
                static fn (): string => $clerk->post("/counter/{$slip}/post", [
                    'act' => (string) Str::uuid(),
                    'version' => '11',
                ]),
            );
            $theirs = $this->slipOf($clerk, $accounts[abs($round) % count($accounts)]);
            $timings['theirs']->time(static fn (): string => $clerk->post("/counter/{$theirs}/add", [
                'act' => (string) Str::uuid(),
                'entry' => $codes[array_rand($codes)],
            ]));
            // Slips that stay open are drawn as tabs beside every other.
            $clerk->post("/counter/{$theirs}/clear", ['act' => (string) Str::uuid()]);
            $q = ['bra*valve', 'lime hook', 'B01', 'steel 12', '*ket wide', 'copper elbow polished 4'][$round % 6]
                ?? 'oak';
            $timings['find']->time(static fn (): string => $clerk->fetch("/counter/{$slip}/find?q=".urlencode($q)));
            $timings['register']->time(
                static fn (): string => $clerk->get(
                    ['/documents', '/documents?tender=cash', '/documents?page=40', '/documents?clerk=3'][
                        max(0, $round) % 4
                    ],
                ),
            );
            // In each round, as the empty page is: a machine is not as fast in one minute as in the next.
            $floor ??= new SqlFloor;
            $floor->past();
            $timings['sql']->time($floor->sale(...));
        }

        $figures = [];

        foreach ($timings as $name => $timing) {
            $figures["{$name} p50"] = $timing->percentile(50);
            $figures["{$name} p95"] = $timing->percentile(95);
        }

        return [
            ...$figures,
            ...$this->longSlip($clerk, $codes),
            ...$this->statements($clerk, $codes, $accounts[0]),
            'per second' => $this->atOnce($codes),
            'documents' => $documents,
            'items' => $items,
        ];
    }

    /**
     * A slip of 200 lines, and what it takes to add one more.
     *
     * @param  list<string>  $codes
     * @return array<string, float>
     */
    private function longSlip(Browser $clerk, array $codes): array
    {
        $slip = (string) Str::uuid();
        $answer = '';
        $shown = [];
        [$timings, $empty] = [new Timings, new Timings];

        for ($line = 0; $line < 240; $line++) {
            // As the page does, it says which lines it shows as they were drawn.
            $drawn = implode(',', array_map(
                static fn (int $id, string $digest): string => "{$id}:{$digest}",
                array_keys($shown),
                $shown,
            ));
            $add = static fn (): string => $clerk->post("/counter/{$slip}/add", [
                'act' => (string) Str::uuid(),
                'entry' => $codes[array_rand($codes)],
                'drawn' => $drawn,
            ]);
            $answer = $line < 200 ? $add() : $timings->time($add);
            $line < 200 || $empty->time(static fn (): string => $clerk->get('/up'));
            preg_match_all('/<tr id="l(\d+)" data-digest="(\w+)"/', $answer, $sent, PREG_SET_ORDER);

            foreach ($sent as [, $id, $digest]) {
                $shown[(int) $id] = $digest;
            }
        }

        return [
            'long p95' => $timings->percentile(95),
            'beside long p95' => $empty->percentile(95),
            'long KB' => strlen($answer) / 1024,
        ];
    }

    /**
     * Statements that one act of each kind sends to the database, by the server's own count.
     *
     * @param  list<string>  $codes
     * @return array<string, float>
     */
    private function statements(Browser $clerk, array $codes, int $customer): array
    {
        $slip = $this->slip($clerk, $codes, new Timings);
        $theirs = $this->slipOf($clerk, $customer);
        $act = static fn (): array => ['act' => (string) Str::uuid()];

        return [
            'add statements' => $this->sent(
                static fn (): string => $clerk->post("/counter/{$slip}/add", [...$act(), 'entry' => $codes[0]]),
            ),
            'theirs statements' => $this->sent(
                static fn (): string => $clerk->post("/counter/{$theirs}/add", [...$act(), 'entry' => $codes[0]]),
            ),
            'find statements' => $this->sent(static fn (): string => $clerk->fetch("/counter/{$slip}/find?q=valve")),
            'cash statements' => $this->sent(
                static fn (): string => $clerk->post("/counter/{$slip}/cash", [...$act(), 'cash' => '9500']),
            ),
            'post statements' => $this->sent(
                static fn (): string => $clerk->post("/counter/{$slip}/post", [...$act(), 'version' => '13']),
            ),
            'register statements' => $this->sent(static fn (): string => $clerk->get('/documents')),
        ];
    }

    /** @param  callable(): string  $do */
    private function sent(callable $do): float
    {
        $count = static fn (): int => (int) (DB::selectOne("SHOW GLOBAL STATUS LIKE 'Questions'")->Value ?? 0);
        $before = $count();
        $do();

        // The second asking is one of them.
        return $count() - $before - 1;
    }

    /** @param  list<string>  $codes */
    private function slip(Browser $clerk, array $codes, Timings $adding): string
    {
        $slip = (string) Str::uuid();

        for ($line = 0; $line < 10; $line++) {
            $adding->time(
                static fn (): string => $clerk->post("/counter/{$slip}/add", [
                    'act' => (string) Str::uuid(),
                    'entry' => $codes[array_rand($codes)],
                ]),
            );
        }

        $clerk->post("/counter/{$slip}/cash", ['act' => (string) Str::uuid(), 'cash' => '9000']);

        return $slip;
    }

    /** A slip with a customer on it. */
    private function slipOf(Browser $clerk, int $customer): string
    {
        $slip = (string) Str::uuid();
        $clerk->post("/counter/{$slip}/customer", ['act' => (string) Str::uuid(), 'customer' => (string) $customer]);

        return $slip;
    }

    /**
     * Sales posted a second by four tills at once.
     *
     * @param  list<string>  $codes
     */
    private function atOnce(array $codes): float
    {
        $each = 20;
        $children = [];
        $gate = tempnam(sys_get_temp_dir(), 'gate') ?: '';
        DB::disconnect();

        for ($till = 0; $till < 4; $till++) {
            $child = pcntl_fork();

            if ($child === 0) {
                $clerk = Browser::of($this);
                $clerk->signIn('10'.($till + 1), ($till % 3) + 1);
                $slips = [];

                for ($i = 0; $i < $each; $i++) {
                    $slips[] = $this->slip($clerk, $codes, new Timings);
                }

                file_put_contents($gate, '.', FILE_APPEND);

                while (strlen((string) file_get_contents($gate)) < 4) {
                    usleep(2000);
                }

                $started = hrtime(true);

                foreach ($slips as $slip) {
                    $clerk->post("/counter/{$slip}/post", ['act' => (string) Str::uuid(), 'version' => '11']);
                }

                file_put_contents("{$gate}.{$till}", (string) ((hrtime(true) - $started) / 1e9));
                posix_kill((int) getmypid(), SIGKILL);
            }

            $children[] = $child;
        }

        array_walk($children, static fn (int $child) => pcntl_waitpid($child, $status));
        $longest = max(
            array_map(static fn (int $till): float => (float) file_get_contents("{$gate}.{$till}"), range(0, 3)),
        );

        return (4 * $each) / $longest;
    }
}
