<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\HeldKind;
use Elmstone\Demo\DemoCustomers;
use Elmstone\Tests\TestCase;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

final class DemoTest extends TestCase
{
    use RefreshDatabase;

    /** On a database in which there is no shop. */
    protected function beforeRefreshingDatabase(): void
    {
        $this->useDatabase(config('database.connections.mariadb.database').'_bare');
        RefreshDatabaseState::$migrated = false;
    }

    public function test_the_demonstration_shop_loads_and_its_books_prove(): void
    {
        $this->assertSame(0, Artisan::call('shop:demo', ['--months' => 1]));
        $this->assertSame(
            [4, 9, 2],
            [
                DB::table('tills')->where('online', false)->count(),
                DB::table('staff')->where('active', true)->count(),
                DB::table('locations')->count(),
            ],
        );
        $this->assertGreaterThan(800, DB::table('items')->count());
        $this->assertGreaterThan(500, DB::table('documents')->count());
        $this->assertSame(0, Artisan::call('books:prove'), Artisan::output());
        $this->assertSame(0, Artisan::call('shop:sign-ins', ['--address' => 'http://here']));
        $this->assertStringContainsString('Conrad Tannaroe, owner', Artisan::output());
        $this->assertSame([160, 45], [DB::table('customers')->count(), DB::table('house_accounts')->count()]);
        $of = static fn (string $name): ?object => DB::table('customers')
            ->leftJoin('house_accounts as a', 'a.customer_id', '=', 'customers.id')
            ->where('name', $name)
            ->first();
        $this->assertSame(
            [1, 'two reminders without an answer'],
            [$of(DemoCustomers::ON_STOP)?->stopped, $of(DemoCustomers::ON_STOP)?->stop_reason],
        );
        $this->assertSame($of(DemoCustomers::AT_LIMIT)?->balance, $of(DemoCustomers::AT_LIMIT)?->credit_limit);
        $this->assertLessThan(now()->toDateString(), $of(DemoCustomers::EXEMPT_RUN_OUT)?->certificate_expires);
        // Every drawer was closed in the evening, but those of today; what they brought went to the bank.
        $drawers = DB::table('till_sessions')->join('tills', 'tills.id', '=', 'till_sessions.till_id')
            ->where('tills.online', false);
        $this->assertSame(4, (clone $drawers)->where('till_sessions.state', 'open')->count());
        $this->assertGreaterThan(60, (clone $drawers)->where('till_sessions.state', 'closed')->count());
        $this->assertGreaterThan(0, DB::table('documents')->where('purpose', 'petty_cash')->count());
        $this->assertGreaterThan(4, DB::table('lodgement_credits')->count());
        $this->assertGreaterThan(4, DB::table('closings')->whereNotNull('location_id')->count());
        $this->assertSame(
            [
                'order cancelled', 'order open', 'order supplied', 'quote lost', 'quote open', 'quote won',
                'purchase cancelled', 'purchase done', 'purchase draft', 'purchase sent',
                'transfer done', 'transfer sent', 'web look', 'web refused', 'web taken',
            ],
            [
                ...DB::table('agreements')
                    ->whereIn('kind', ['order', 'quote'])
                    ->selectRaw("DISTINCT CONCAT(kind, ' ', state) AS of")
                    ->orderBy('of')
                    ->pluck('of'),
                ...DB::table('purchases')
                    ->selectRaw("DISTINCT CONCAT('purchase ', state) AS of")
                    ->orderBy('of')
                    ->pluck('of'),
                ...DB::table('transfers')
                    ->selectRaw("DISTINCT CONCAT('transfer ', state) AS of")
                    ->orderBy('of')
                    ->pluck('of'),
                ...DB::table('web_orders')
                    ->selectRaw("DISTINCT CONCAT('web ', state) AS of")
                    ->orderBy('of')
                    ->pluck('of'),
            ],
        );
        $this->assertGreaterThan(2, DB::table('agreements')->count());
        $this->assertContains('running', DB::table('agreements')->distinct()->orderBy('state')->pluck('state')->all());
        $this->assertGreaterThan(
            0,
            DB::table('plans')->count() * Held::of(HeldKind::Deposit),
        );
        $this->assertSame(0, Artisan::call('shop:demo', ['--if-empty' => true]));
        $this->assertSame(1, Artisan::call('shop:demo'));
        $state = function (): string {
            Artisan::call('shop:state');

            return trim(Artisan::output());
        };
        $this->assertSame('open', $state());
        $this->assertSame(
            0,
            DB::table('stock')->where('on_hand', '<', 0)->orWhereColumn('on_hand', '<', 'committed')->count(),
            'Something was sold or set aside that was not there.',
        );
        $this->assertSame(0, DB::table('stock_movements')->whereNull('document_id')->count());
        DB::table('shop')->update(['loading' => true]);
        $this->assertSame('half', $state());
        $this->assertSame(
            1,
            Artisan::call('shop:demo', ['--if-empty' => true]),
            'What is half loaded is neither taken for a shop nor thrown away.',
        );
        $this->assertGreaterThan(500, DB::table('documents')->count());
    }
}
