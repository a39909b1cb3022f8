<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Item;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Statements\Statement;
use Elmstone\Receivables\Statements\StatementRun;
use Elmstone\Work\DoWork;
use Elmstone\Work\Work;
use Elmstone\Work\WorkQueue;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** What takes longer than a page is done by workers, who can be killed at any point, and shows how far it is. */
final class WorkTest extends FeatureCase
{
    use Accounts;
    use Charges;

    private const HEAD = "code,description,department,list_price,cost,tax_class\n";

    private const BENCH = "WK-1,Work bench,goods,120.00,60,standard\n";

    protected function setUp(): void
    {
        parent::setUp();
        config(['queue.default' => 'database', 'queue.connections.long.driver' => 'database']);
    }

    public function test_statements_are_made_by_a_worker_and_the_page_looks_how_far_it_is(): void
    {
        $this->chargeOn(now()->subDays(40)->toDateString(), $this->account('5000.00'), 'LH-1140');
        $this->as('301');
        $this->post('/statements', ['as_of' => now()->format('Y-m-d')])->assertRedirect();
        $run = StatementRun::query()->latest('id')->firstOrFail();
        $page = "/statements/runs/{$run->id}";
        $this->get($page)->assertSee('0 of 1')->assertSee('data-steps', false);
        $this->work('short');
        $this->get($page)->assertSee('1 of 1')->assertSee('All made')->assertDontSee('data-steps', false);
        self::assertSame(1, Statement::query()->where('run_id', $run->id)->where('state', 'made')->count());
        self::assertSame('done', Work::query()->latest('id')->firstOrFail()->state);
    }

    public function test_a_run_that_was_stopped_makes_none_and_goes_on_when_it_is_told_to(): void
    {
        $this->chargeOn(now()->subDays(40)->toDateString(), $this->account('5000.00'), 'LH-1140');
        $this->as('301');
        $this->post('/statements', ['as_of' => now()->format('Y-m-d')]);
        $run = StatementRun::query()->latest('id')->firstOrFail();
        $this->post("/statements/runs/{$run->id}/stop");
        $this->work('short');
        self::assertSame(0, Statement::query()->where('run_id', $run->id)->where('state', 'made')->count());
        $this->post("/statements/runs/{$run->id}/go-on");
        $this->work('short');
        self::assertSame(1, Statement::query()->where('run_id', $run->id)->where('state', 'made')->count());
    }

    public function test_a_file_is_looked_at_and_brought_in_by_a_worker(): void
    {
        $looked = $this->looks(self::HEAD.self::BENCH);
        $looked->assertRedirect();
        $page = (string) $looked->headers->get('Location');
        $this->get($page)->assertSee('The file is looked at')->assertSee('It begins in a moment');
        $this->work('long');
        $csv = (string) Work::query()->latest('id')->firstOrFail()->data['csv'];
        $this->get($page)->assertSee('1 rows:')->assertSee('Bring them in')->assertSee($csv);
        $page = (string) $this->post('/tables/items/bring-in', ['csv' => $csv])->headers->get('Location');
        $this->get($page)->assertSee('all of them or none');
        $this->work('long');
        $this->get($page)->assertSee('Brought in: 1 new');
        self::assertSame(1, Item::query()->where('code', 'WK-1')->count());
        // It is that table's page, and that of who may bring it in.
        $this->get(str_replace('items', 'customers', $page))->assertNotFound();
        $this->as('101');
        $this->get($page)->assertForbidden();
    }

    /** What is posted by a worker is posted at the till of who wanted it, in whatever process that runs. */
    public function test_stock_is_brought_in_by_a_worker_at_the_till_of_who_wanted_it(): void
    {
        $this->as('901')->bringsIn('items', self::HEAD.self::BENCH);
        $this->as('901', 3)->bringsIn('stock', "place,item,quantity,cost\nPB,WK-1,4,2.00\n");
        self::assertSame(3, (int) DB::table('documents')->latest('id')->value('till_id'));
    }

    public function test_customers_and_what_they_owe_are_brought_in_by_a_worker(): void
    {
        $this->as('301', 3)->bringsIn('customers', "name,limit\nAsh Roofing,500.00\n");
        $customer = Customer::query()->where('name', 'Ash Roofing')->firstOrFail();
        $this->as('301', 3)->bringsIn(
            'open-items',
            "customer,number,dated,due,open\n{$customer->number},4711,2026-01-05,2026-02-04,120.00\n",
        );
        self::assertSame(12000, $this->balance($customer));
        $document = DB::table('documents')->latest('id')->first();
        self::assertSame(
            [3, $this->staff('301')->id],
            [(int) ($document->till_id ?? 0), (int) ($document->staff_id ?? 0)],
        );
    }

    /** Two workers that looked at the same new rows at once would both find them new. */
    public function test_one_file_of_a_table_is_brought_in_at_a_time(): void
    {
        $this->as('301');
        $csv = "name,limit\nAsh Roofing,500.00\n";
        $this->post('/tables/customers', ['file' => UploadedFile::fake()->createWithContent('a.csv', $csv)]);
        $this->work('long');
        $first = $this->post('/tables/customers/bring-in', ['csv' => hash('sha256', $csv)]);
        $again = $this->post('/tables/customers/bring-in', ['csv' => hash('sha256', $csv)]);
        self::assertSame($first->headers->get('Location'), $again->headers->get('Location'));
        $this->assertRefused('Another file is being brought in', $this->post('/tables/customers/bring-in', [
            'csv' => hash('sha256', 'another'),
        ]));
        $this->post('/tables/open-items/bring-in', ['csv' => hash('sha256', 'another')])->assertRedirect();
        self::assertSame(2, Work::query()->where('what', 'bring in a table')->count());
        $this->work('long');
        self::assertSame(1, Customer::query()->where('name', 'Ash Roofing')->count());
        // What nobody does any more stands in nobody's way.
        Work::query()->where('what', 'bring in a table')->update(['state' => 'running']);
        $this->travel(3)->hours();
        $this->post('/tables/customers/bring-in', ['csv' => hash('sha256', $csv)])->assertRedirect();
        self::assertSame(3, Work::query()->where('what', 'bring in a table')->count());
    }

    public function test_what_is_refused_meanwhile_says_so_and_brings_nothing_in(): void
    {
        $this->looks(self::HEAD.self::BENCH."WK-2,Vice,goods,-5,1,standard\n");
        $this->work('long');
        $csv = (string) Work::query()->latest('id')->firstOrFail()->data['csv'];
        $page = (string) $this->post('/tables/items/bring-in', ['csv' => $csv])->headers->get('Location');
        $this->work('long');
        $this->get($page)->assertSee('1 rows are not right any more; nothing was brought in');
        self::assertSame(0, Item::query()->where('code', 'like', 'WK-%')->count());
        self::assertSame('refused', Work::query()->latest('id')->firstOrFail()->state);
    }

    /** A worker that dies within it leaves nothing; the next does it once, and nobody a second time. */
    public function test_a_worker_that_is_killed_at_it_leaves_nothing_and_the_next_does_it_once(): void
    {
        $this->looks(self::HEAD.self::BENCH);
        $this->work('long');
        $csv = (string) Work::query()->latest('id')->firstOrFail()->data['csv'];
        $this->post('/tables/items/bring-in', ['csv' => $csv]);
        $work = Work::query()->latest('id')->firstOrFail();
        $dies = true;
        DB::listen(static function ($query) use (&$dies): void {
            if ($dies && str_contains($query->sql, 'update `works`') && in_array('done', $query->bindings, true)) {
                $dies = false;

                throw new Killed;
            }
        });

        try {
            app(WorkQueue::class)->go($work->id);
            self::fail('It was not killed.');
        } catch (Killed) {
            self::assertSame(0, Item::query()->where('code', 'WK-1')->count());
            self::assertSame('running', $work->refresh()->state);
        }

        app(WorkQueue::class)->go($work->id);
        app(WorkQueue::class)->go($work->id);
        self::assertSame(1, Item::query()->where('code', 'WK-1')->count());
        self::assertSame('done', $work->refresh()->state);
    }

    /** A machine that dies between what was asked for and the hand-over leaves no run that nobody makes. */
    public function test_what_is_asked_for_stands_with_its_hand_over_or_not_at_all(): void
    {
        $this->chargeOn(now()->subDays(40)->toDateString(), $this->account('5000.00'), 'LH-1140');
        $this->as('301');
        DB::listen(static function ($query): void {
            str_starts_with($query->sql, 'insert into `jobs`') && throw new Killed;
        });
        $this->post('/statements', ['as_of' => now()->format('Y-m-d')])->assertServerError();
        self::assertSame(0, StatementRun::query()->count());
        self::assertSame(0, Work::query()->count());
        self::assertSame(0, DB::table('jobs')->count());
    }

    public function test_what_no_worker_can_do_is_told_whoever_wanted_it(): void
    {
        $this->looks(self::HEAD.self::BENCH);
        $work = Work::query()->latest('id')->firstOrFail();
        (new DoWork($work->id))->failed(new Killed);
        $this->get("/tables/items/work/{$work->id}")->assertSee('The reason is in the log');
        self::assertSame('broken', $work->refresh()->state);
        // It is not taken up again after that.
        app(WorkQueue::class)->go($work->id);
        self::assertSame('broken', $work->refresh()->state);
    }

    public function test_what_waits_for_a_worker_is_seen_by_who_watches(): void
    {
        $this->looks(self::HEAD.self::BENCH);
        $this->travel(30)->seconds();
        $work = Work::query()->latest('id')->firstOrFail();
        $this->get("/tables/items/work/{$work->id}")->assertSee('No worker has taken it up yet');
        $this->as('901');
        $this->get('/metrics')->assertSee('elmstone_works 1');
        $this->get('/running')->assertSee('One waits for a worker, not two minutes yet');
    }

    /** @return TestResponse<Response> */
    private function looks(string $csv): TestResponse
    {
        $this->as('901');

        return $this->post('/tables/items', ['file' => UploadedFile::fake()->createWithContent('items.csv', $csv)]);
    }

    /** Looked at, and brought in, by workers. */
    private function bringsIn(string $table, string $csv): void
    {
        $this->post("/tables/{$table}", ['file' => UploadedFile::fake()->createWithContent('a.csv', $csv)]);
        $this->work('long');
        $this->post("/tables/{$table}/bring-in", ['csv' => hash('sha256', $csv)]);
        // As in a process of its own, where nobody has signed in.
        session()->flush();
        $this->work('long');
        self::assertSame('done', Work::query()->latest('id')->firstOrFail()->state);
    }

    private function work(string $queue): void
    {
        self::assertSame(0, Artisan::call('queue:work', [
            'connection' => $queue === 'long' ? 'long' : 'database', '--queue' => $queue, '--stop-when-empty' => true,
            '--sleep' => 0,
            // Of the process of all the tests, not of this one.
            '--memory' => 4096,
        ]), Artisan::output());
    }
}
