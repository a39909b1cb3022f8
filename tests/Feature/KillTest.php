<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Proof\Prove;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Till\CashCount;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\Back\BringBack;
use Elmstone\Counter\Parts\HoldSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ChargeSlip;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Customers\Customer;
use Elmstone\Layaways\Layaway;
use Elmstone\Returns\ReturnReason;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Tests\TestCase;
use Elmstone\Tills\CloseTill;
use Elmstone\Tills\Counted;
use Elmstone\Tills\CountTill;
use Elmstone\Tills\OpenSessions;
use Elmstone\Tills\OpenTill;
use Elmstone\Tills\SessionState;
use Elmstone\Tills\TillSession;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;
use Throwable;

/**
 * The database is killed in the middle of a loop of postings, fifty times: what was acknowledged is there once, and
 * nothing is there by half.
 */
final class KillTest extends TestCase
{
    use Accounts;

    /** ELMSTONE_KILLS says otherwise. */
    private const TIMES = 15;

    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/elmstone-kill-'.bin2hex(random_bytes(4));
        $this->startDatabase();
        $this->artisan('migrate');
        Scene::build();
    }

    protected function tearDown(): void
    {
        DB::disconnect();
        $this->kill();
        (new Process(['rm', '-rf', $this->folder]))->run();
        parent::tearDown();
    }

    public function test_what_is_acknowledged_is_there_once_and_nothing_by_half(): void
    {
        $customer = $this->account('1000000.00');
        $customer->forceFill(['phone' => '555 0142'])->save();
        // Enough to set aside that none is promised twice.
        Scene::stock(array_values(Item::query()->get()->all()), 100_000);

        $times = (int) (getenv('ELMSTONE_KILLS') ?: self::TIMES);

        for ($time = 1; $time <= $times; $time++) {
            DB::disconnect();
            $child = $this->postUntilItFails($customer);
            $this->awaitMore();
            usleep(random_int(0, $this->awaitMore()));
            $this->kill();
            pcntl_waitpid($child, $status);
            $this->startDatabase();
            $this->assertAcknowledgedIsThere();
        }

        $this->assertSame([], app(Prove::class)->handle()->faults);
        $this->assertGreaterThan(0, TillSession::query()->where('state', 'closed')->count());
        $this->assertSame(
            TillSession::query()->where('float_amount', '>', 0)->count(),
            Document::query()->where('purpose', 'float_in')->count(),
            'A float without its session, or a session without its float.',
        );
    }

    /**
     * Waits for one more posting, so that the kill comes in the middle of the next one on any machine; how long it
     * took, in microseconds.
     */
    private function awaitMore(): int
    {
        $before = count($this->acknowledged());
        $start = hrtime(true);

        for ($tries = 0; $tries < 15_000 && count($this->acknowledged()) === $before; $tries++) {
            usleep(2_000);
        }

        $this->assertGreaterThan($before, count($this->acknowledged()), 'Nothing was posted for half a minute.');

        return intdiv(hrtime(true) - $start, 1000);
    }

    private function assertAcknowledgedIsThere(): void
    {
        $keys = $this->acknowledged();
        sort($keys);
        $posted = DB::table('slips as s')
            ->join('documents as d', 'd.id', '=', 's.document_id')
            ->whereIn('s.key', $keys)
            ->where('s.state', 'posted')
            ->pluck('s.key')
            ->sort()
            ->values()
            ->all();
        $this->assertSame($keys, $posted, 'What was acknowledged is not there.');
        $this->assertSame(
            DB::table('documents')->count(),
            DB::table('document_digests')->count(),
            'A document without its seal.',
        );
        $this->assertSame(
            0,
            DB::table('documents as d')
                ->leftJoin('journal_entries as e', 'e.document_id', '=', 'd.id')
                ->whereNull('e.document_id')
                ->count(),
            'A document without its journal.',
        );
        $this->assertSame(
            (int) DB::table('house_accounts')->sum('balance'),
            (int) DB::table('documents')->sum('on_account'),
            'The balance is not what was charged and paid.',
        );
        $this->assertSame(
            (int) DB::table('series')->sum('last_number'),
            DB::table('documents')->count(),
            'A number without a document.',
        );
        $this->assertSame(
            Held::of(HeldKind::Layaway),
            (int) DB::table('document_held')->where('kind', 'layaway')->sum('amount'),
            'What is held is not what was paid.',
        );
        $this->assertSame(
            0,
            (int) DB::table('journal_lines')->where('account', 'exchange_clearing')->sum(DB::raw('debit - credit')),
            'An invoice without the credit note that pays it.',
        );
        $this->assertSame(
            DB::table('documents')->where('kind', 'credit_note')->count(),
            DB::table('slips')->whereNotNull('credit_note_id')->count(),
            'A credit note without its slip.',
        );
        $this->assertSame(
            0,
            DB::table('agreements')->where('state', 'ready')->count(),
            'Paid off, but the goods that were to leave did not.',
        );
        $this->assertSame(
            0,
            DB::table('slips')
                ->where('state', 'posted')
                ->whereNotIn('document_id', DB::table('documents')->select('id'))
                ->count(),
        );
    }

    /** Charges and pays, one after the other, and writes down what was acknowledged; ends when the database is gone. */
    private function postUntilItFails(Customer $customer): int
    {
        $child = pcntl_fork();

        if ($child !== 0) {
            return $child;
        }

        try {
            $act = static fn (?int $version = null): Act => new Act(
                (string) Str::uuid(),
                Staff::query()->firstOrFail(),
                Till::query()->with('location.taxProfile.components')->findOrFail(1),
                $version,
            );

            // Where it was killed, the drawer is counted, closed or open: nothing is taken until it is open.
            OpenSessions::at(1)?->state === SessionState::Open || $this->nextOfDrawer();

            for ($i = 0; ; $i++) {
                $i % 2 === 1 && $this->nextOfDrawer();

                if ($i % 4 === 3) {
                    $this->holdAndPay($customer, $act);

                    continue;
                }

                $slip = (string) Str::uuid();
                app(PutCustomer::class)->handle($slip, $act(), $customer->load('type.priceLevel'));
                app(AddToSlip::class)->handle($slip, $act(), 'LH-1140');
                $changed = $i % 3 === 0
                        ? app(ChargeSlip::class)->payIn($slip, $act(), Money::of('3.00', Currency::of('USD')))
                        : app(ChargeSlip::class)->rest($slip, $act());
                $changed = $i % 3 === 0
                        ? app(CountTender::class)->cash($slip, $act(), Money::of('20.00', Currency::of('USD')))
                        : $changed;
                $sale = app(PostSale::class)->handle($slip, $act($changed->version))->documentId;
                file_put_contents("{$this->folder}/acknowledged", "{$slip}\n", FILE_APPEND);
                $i % 4 === 1 && $this->exchange($customer, $sale, $act);
            }
        } catch (Throwable) {
            // The database is gone, as it should be.
        }

        posix_kill((int) getmypid(), SIGKILL);

        return 0;
    }

    /** The drawer is counted and closed, as far as it is not yet, and opened again. */
    private function nextOfDrawer(): void
    {
        OpenSessions::at(1) === null || $this->closeDrawer();
        app(OpenTill::class)->handle(
            Till::query()->findOrFail(1),
            Money::of('100.00', Currency::of('USD')),
            Staff::query()->where('number', '201')->firstOrFail(),
            (string) Str::uuid(),
        );
    }

    private function closeDrawer(): void
    {
        $till = Till::query()->findOrFail(1);
        $by = Staff::query()->where('number', '201')->firstOrFail();
        $usd = Currency::of('USD');
        $session = OpenSessions::at($till->id) ?? throw new \LogicException('It is closed already.');
        $nothing = Money::zero($usd);
        $number = (int) DB::table('till_counts')->where('session_id', $session->id)->max('number');
        $number = $session->state === SessionState::Counted
            ? $number
            : app(CountTill::class)
                ->handle($till, new Counted(CashCount::of($usd, []), [], $nothing, $nothing, true), $number, $by)
                ->number;
        app(CloseTill::class)->handle($till, $number, $nothing, 'all of it is gone', $by, (string) Str::uuid());
    }

    /**
     * What was just sold comes back, and something else goes out: an invoice and a credit note, or neither.
     *
     * @param  Closure(int|null=): Act  $act
     */
    private function exchange(Customer $customer, int $sale, Closure $act): void
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $act(), $customer);
        app(BringBack::class)->lines(
            $slip,
            $act(),
            ["{$sale}:1" => '1'],
            ReturnReason::DoesNotFit,
            null,
            (string) Document::query()->whereKey($sale)->value('label'),
        );
        app(AddToSlip::class)->handle($slip, $act(), 'LH-1141');
        $changed = app(ChargeSlip::class)->rest($slip, $act());
        app(PostSale::class)->handle($slip, $act($changed->version));
        file_put_contents("{$this->folder}/acknowledged", "{$slip}\n", FILE_APPEND);
    }

    /**
     * A layaway, and its last payment with which the goods leave.
     *
     * @param  Closure(int|null=): Act  $act
     */
    private function holdAndPay(Customer $customer, Closure $act): void
    {
        $post = function (string $slip) use ($act): void {
            $changed = app(CountTender::class)->cash($slip, $act(), Money::of('200.00', Currency::of('USD')));
            app(PostSale::class)->handle($slip, $act($changed->version));
            file_put_contents("{$this->folder}/acknowledged", "{$slip}\n", FILE_APPEND);
        };
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $act(), $customer);
        app(AddToSlip::class)->handle($slip, $act(), 'MA-0031');
        app(HoldSlip::class)->begin($slip, $act(), null);
        $post($slip);
        $layaway = Layaway::query()->with('customer.type.priceLevel')->latest('id')->firstOrFail();
        $slip = (string) Str::uuid();
        app(PayLayaway::class)->add($slip, $act(), $layaway);
        app(PayLayaway::class)->amount(
            $slip,
            $act(),
            $layaway->id,
            $layaway->remaining(),
        );
        app(PayLayaway::class)->leaves($slip, $act(), $layaway->id, true);
        $post($slip);
    }

    /** @return list<string> */
    private function acknowledged(): array
    {
        $file = "{$this->folder}/acknowledged";

        return is_file($file)
            ? array_values(
                array_filter(
                    explode("\n", (string) file_get_contents($file)),
                    static fn (string $key): bool => $key !== '',
                ),
            )
            : [];
    }

    private function startDatabase(): void
    {
        $start = new Process(
            [
                'bash',
                '-c',
                '. bin/house.sh; database_start "$0" --innodb-buffer-pool-size=64M --innodb-flush-log-at-trx-commit=1 '
                .'--performance-schema=OFF',
                $this->folder,
            ],
            base_path(),
            timeout: 60,
        );
        // What is started must not keep the pipes open.
        $start->disableOutput();
        $this->assertSame(0, $start->run(), 'MariaDB did not start.');
        config([
            'database.connections.mariadb' => [
                ...(array) config('database.connections.mariadb'),
                'host' => '127.0.0.1',
                'port' => trim((string) file_get_contents("{$this->folder}/port")),
                'database' => 'elmstone',
                'password' => trim((string) file_get_contents("{$this->folder}/password")),
            ],
        ]);
        DB::purge();
    }

    private function kill(): void
    {
        $pid = (int) @file_get_contents("{$this->folder}/pid");

        if ($pid > 0) {
            posix_kill($pid, SIGKILL);

            for ($tries = 0; $tries < 200 && self::runs($pid); $tries++) {
                usleep(10_000);
            }
        }
    }

    /** One that nobody has buried yet does not run any more. */
    private static function runs(int $pid): bool
    {
        $state = (string) @file_get_contents("/proc/{$pid}/stat");

        return posix_kill($pid, 0) && ! str_contains($state, ') Z ');
    }
}
