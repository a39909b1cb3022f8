<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Document;
use Elmstone\Books\JournalRow;
use Elmstone\Foundation\FoundationProvider;
use Elmstone\Paper\IssuePaper;
use Elmstone\Paper\Pdf;
use Illuminate\Contracts\Database\LostConnectionDetector;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use PDO;
use PDOException;
use Smalot\PdfParser\Parser;

/** Large papers, databases that hang, tables that grow, and what the user who serves may do. */
final class SturdyTest extends FeatureCase
{
    use Charges;

    public function test_an_invoice_of_five_hundred_lines_is_a_pdf_within_the_memory_a_page_has(): void
    {
        $document = $this->sell('LH-1140', 'WA-0001')->load([
            'lines', 'taxes', 'tenders', 'coupons', 'refersTo', 'location', 'till', 'staff',
        ]);
        $lines = $document->lines;
        $document->setRelation('lines', $lines->concat(array_fill(0, 498, $lines->first()))->values());
        $before = memory_get_usage();
        memory_reset_peak_usage();
        $pdf = app(IssuePaper::class)->invoicePdf($document);
        // A worker has 128 MB, and some thirty of them are the application.
        $this->assertLessThan(96 * 1024 * 1024, memory_get_peak_usage() - $before);
        $this->assertGreaterThan(8, count((new Parser)->parseContent($pdf)->getPages()));
    }

    public function test_what_no_font_has_a_shape_for_is_left_out_of_papers(): void
    {
        $this->assertSame('Ash  Roofing – 5 € café', Pdf::printable("Ash \u{1F3E0} Roofing – 5 € café\u{FE0F}"));
    }

    public function test_a_journal_is_shown_debits_first_then_credits_cost_last(): void
    {
        $sale = $this->sell('LH-1140');
        $shown = array_map(
            static fn (JournalRow $row): array => [
                $row->account === 'cost_of_goods' || $row->account === 'inventory',
                $row->debit->minor > 0,
            ],
            JournalRow::inNaturalOrder($sale->load('journal')->journal),
        );
        $this->assertSame([[false, true], [false, false], [false, false], [true, true], [true, false]], $shown);
    }

    public function test_the_health_page_asks_the_database(): void
    {
        $this->get('/up')->assertOk()->assertSee('up');
        config(['database.connections.mariadb.port' => '1']);
        DB::purge();
        $answer = $this->get('/up');
        config(['database.connections.mariadb.port' => getenv('DB_PORT')]);
        DB::purge();
        $answer->assertStatus(503);
        $this->refreshDatabase();
    }

    public function test_no_page_waits_long_for_a_lock_or_an_answer(): void
    {
        $this->assertSame(
            [5, '+00:00'],
            array_values((array) DB::selectOne('SELECT @@innodb_lock_wait_timeout AS w, @@time_zone AS z')),
        );
        ini_set('mysqlnd.net_read_timeout', '1');
        $config = config('database.connections.mariadb');
        $own = new PDO(
            "mysql:host={$config['host']};port={$config['port']};dbname={$config['database']}",
            $config['username'],
            $config['password'],
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );
        ini_set('mysqlnd.net_read_timeout', '86400');
        $start = hrtime(true);

        try {
            $own->query('SELECT SLEEP(20)');
            $this->fail('It was waited for.');
        } catch (PDOException $gone) {
            $this->assertStringContainsString('gone away', $gone->getMessage());
        }

        $this->assertLessThan(10, intdiv(hrtime(true) - $start, 1_000_000_000));
    }

    public function test_a_statement_is_one_statement_whatever_is_typed_into_it(): void
    {
        $this->assertThrows(static fn () => DB::select('SELECT 1; SELECT 2'), QueryException::class, '1064');
        $typed = "x'; DELETE FROM slips; -- \\";
        $this->assertSame($typed, DB::scalar('SELECT ?', [$typed]));
        $this->assertSame(
            [7, null, '1.50'],
            array_values(
                (array) DB::selectOne('SELECT ? AS a, ? AS b, CAST(? AS DECIMAL(8, 2)) AS c', [7, null, '1.5']),
            ),
        );
    }

    public function test_a_database_whose_machine_stopped_holds_no_page_for_long(): void
    {
        $between = new StoppedServer(
            (string) config('database.connections.mariadb.host'),
            (int) config('database.connections.mariadb.port'),
        );
        // As for pages: this is a command, which may wait longer.
        (new FoundationProvider(app()))->neverWaitsLong();
        config(['database.connections.mariadb.port' => (string) $between->port]);
        DB::purge();

        try {
            $this->get('/up')->assertOk();
            $between->stop();
            // Whoever asks whether it is up knows within a second or two.
            $this->waits(fn () => $this->get('/up')->assertStatus(503)->assertSee('does not answer'), 800, 2500);
            // The connection that stands does not answer; a new one is not taken. Neither is asked twice: a lock's wait
            // and a second.
            DB::purge();
            $this->waits(fn () => $this->get('/counter/new')->assertStatus(503), 5000, 12000);
            $between->goOn();
            DB::purge();
            $this->get('/up')->assertOk();
        } finally {
            $between->end();
            ini_set('mysqlnd.net_read_timeout', '86400');
            app()->forgetInstance(LostConnectionDetector::class);
            config(['database.connections.mariadb.port' => getenv('DB_PORT')]);
            DB::purge();
            $this->refreshDatabase();
        }
    }

    /** A page can be half drawn by then: that is the database still, and the counter’s page sends its act again. */
    public function test_a_database_that_goes_while_a_page_is_drawn_is_one_that_does_not_answer(): void
    {
        foreach (['2006 MySQL server has gone away', '1047 WSREP has not yet prepared node'] as $said) {
            Route::get('/drawn', static fn (): string => Blade::render('@php(throw new PDOException($said))', [
                'said' => "SQLSTATE[HY000]: General error: {$said}",
            ]));
            $this->get('/drawn')->assertStatus(503)->assertSee('The database does not answer');
        }

        Route::get('/drawn', static fn (): string => Blade::render('@php(throw new PDOException("no such column"))'));
        $this->get('/drawn')->assertStatus(500);
    }

    /** @param  Closure(): mixed  $page */
    private function waits(Closure $page, int $least, int $most): void
    {
        $start = hrtime(true);
        $page();
        $this->assertThat(
            intdiv(hrtime(true) - $start, 1_000_000),
            $this->logicalAnd($this->greaterThan($least), $this->lessThan($most)),
        );
    }

    public function test_what_grows_and_is_not_kept_is_thrown_away_and_what_waits_is_not(): void
    {
        $this->post('/devices/printer', ['broken' => '1']);
        $this->sell('LH-1140');
        $this->post('/devices/printer', ['broken' => '0']);
        $this->sell('LH-1140');
        $acts = DB::table('slip_acts')->count();
        DB::table('outbox')
            ->where('state', 'waiting')
            ->update(['made_at' => '2020-01-01', 'next_try_at' => '2020-01-01']);
        Artisan::call('house:tidy');
        $this->assertSame([$acts, 2], [DB::table('slip_acts')->count(), DB::table('outbox')->count()]);
        $this->travel(40)->days();
        Artisan::call('house:tidy');
        $this->assertSame(
            [0, 1, 0, 2],
            [
                DB::table('slip_acts')->count(),
                DB::table('outbox')->count(),
                DB::table('printed_papers')->count(),
                Document::query()->where('kind', 'invoice')->count(),
            ],
        );
    }
}
