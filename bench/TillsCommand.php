<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Books\Sessions;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\OpenSessions;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Measures the day at the till: reading, counting and closing drawers of 2,000 documents, sheets over a million. */
final class TillsCommand extends Command
{
    private const IN_A_SESSION = 2000;

    /** Copies stay clear of all others. */
    private const FIRST = 6_000_000;

    protected $signature = 'bench:tills {--address=} {--documents=1000000} {--rounds=40}';

    protected $description = 'Measure drawers and day sheets';

    public function handle(Stock200k $shop): int
    {
        $this->line('building the shop');
        $shop->build(1000, 20000);
        $this->line('copying documents');
        $shop->multiply((int) $this->option('documents'), sealed: false);
        $this->line('measuring with '.DB::table('documents')->count().' documents');
        $clerk = Browser::of($this);
        $clerk->signIn('201', 1);
        $counter = Browser::of($this);
        $counter->signIn('202', 1);
        $names = ['empty', 'reading', 'count', 'close', 'sheet', 'all', 'take', 'journal', 'day'];
        $timings = array_map(static fn (): Timings => new Timings, array_flip($names));

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $timings['empty']->time(static fn (): string => $clerk->get('/up'));
            $this->drawer($clerk, $counter, $round, $timings);
            $this->sheets($clerk, $round, $timings);
        }

        $report = $this->report($timings);
        $this->line($report);
        file_put_contents(base_path('bench/tills.md'), $report);

        return self::SUCCESS;
    }

    /** @param  array<string, Timings>  $timings */
    private function drawer(Browser $clerk, Browser $counter, int $round, array $timings): void
    {
        $till = Till::query()->findOrFail(1);
        $session = OpenSessions::at($till->id)->id ?? OpenTills::open($till, $round + 1);
        $this->fill($session, $round);
        $timings['reading']->time(static fn (): string => $clerk->get('/till/reading'));
        $timings['journal']->time(static fn (): array => DB::select(
            'SELECT j.account, SUM(j.debit), SUM(j.credit) FROM documents d '
                .'JOIN journal_lines j ON j.document_id = d.id WHERE d.session_id = ? GROUP BY j.account',
            [$session],
        ));
        $timings['take']->time(static fn () => DB::transaction(static function () use ($till): void {
            app(Sessions::class)->take($till->id, 1);
            Location::stillOpen($till->location_id, ShopTime::today());
        }));
        $timings['count']->time(static fn (): string => $counter->post('/till/count', ['seen' => '0', 'cards' => '0']));
        $timings['close']->time(static fn (): string => $clerk->post('/till/close', [
            'key' => (string) Str::uuid(),
            'count' => '1',
            'left_in' => '0',
            'note' => 'nothing is counted here',
        ]));
    }

    /** Gives a session so many documents, all of today, of those that were sold. */
    private function fill(int $session, int $round): void
    {
        $first = self::FIRST + $round * 100_000;
        $columns = array_diff(DB::getSchemaBuilder()->getColumnListing('documents'), [
            'id', 'number', 'label', 'idempotency_key', 'session_id', 'location_id',
        ]);
        $list = implode(', ', $columns);
        DB::statement(
            'INSERT INTO documents (id, number, label, idempotency_key, session_id, location_id, '
                ."{$list}) SELECT id + ?, number + ?, CONCAT('C-', id + ?), UUID(), ?, 1, {$list} FROM documents "
                ."WHERE kind = 'invoice' AND number < 10000 ORDER BY id LIMIT ".self::IN_A_SESSION,
            [$first, $first, $first, $session],
        );

        foreach (['document_tenders', 'journal_lines'] as $table) {
            $rest = array_diff(DB::getSchemaBuilder()->getColumnListing($table), ['document_id']);
            $from = implode(', ', array_map(static fn (string $column): string => "t.{$column}", $rest));
            $rest = implode(', ', $rest);
            DB::statement(
                "INSERT INTO {$table} (document_id, {$rest}) SELECT t.document_id + ?, {$from} FROM {$table} t "
                    .'JOIN documents c ON c.id = t.document_id + ? WHERE c.session_id = ?',
                [$first, $first, $session],
            );
        }
    }

    /** @param  array<string, Timings>  $timings */
    private function sheets(Browser $clerk, int $round, array $timings): void
    {
        $day = ShopTime::today()->subDays(390 - 7 * ($round % 40))->format('Y-m-d');
        $timings['sheet']->time(static fn (): string => $clerk->get("/day?day={$day}&at=1"));
        $timings['all']->time(static fn (): string => $clerk->get("/day?day={$day}&at=all"));
        $timings['day']->time(static fn (): array => DB::select(
            'SELECT j.account, SUM(j.debit), SUM(j.credit) FROM documents d '
                .'JOIN journal_lines j ON j.document_id = d.id '
                .'WHERE d.location_id = 1 AND d.business_date = ? GROUP BY j.account',
            [$day],
        ));
    }

    /** @param  array<string, Timings>  $timings */
    private function report(array $timings): string
    {
        $rows = [
            ['Reading of a session of 2,000 documents', 'reading', 'under 60'],
            ['floor: its journals summed by plain SQL', 'journal', ''],
            ['Counting it', 'count', ''],
            ['Closing it', 'close', 'under 150'],
            ['Day sheet of a location', 'sheet', 'under 200'],
            ['Day sheet of the house', 'all', ''],
            ['floor: the journals of that day and location summed by plain SQL', 'day', ''],
            ['What a posting asks of its session and its day', 'take', 'under a twentieth of a posting'],
            ['floor: an empty route', 'empty', ''],
        ];
        $table = '';

        foreach ($rows as [$what, $name, $aim]) {
            $table .= sprintf(
                "| %s | %.1f | %.1f | %s |\n",
                $what,
                $timings[$name]->percentile(50),
                $timings[$name]->percentile(95),
                $aim,
            );
        }

        $a = DB::table('documents')->where('location_id', 1)->groupBy('business_date')->selectRaw('COUNT(*) AS n');

        return sprintf(
            "# Drawers and days, measured on %s\n\n%d cores, PHP %s. %s documents, about %s a day at the location. "
                ."Milliseconds; floors are from the same run.\n\n| | p50 | p95 | aim |\n|---|---:|---:|---|\n%s",
            date('j M Y'),
            (int) shell_exec('nproc'),
            PHP_VERSION,
            number_format(DB::table('documents')->count()),
            number_format((int) DB::query()->fromSub($a, 'a')->avg('n')),
            $table,
        );
    }
}
