<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Act;
use Elmstone\Counter\AddToSlip;
use Elmstone\Counter\CountTender;
use Elmstone\Counter\PostSale;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Tests\TestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Several tills at the same instant, as processes of their own on a database of their own. */
final class RaceTest extends TestCase
{
    private const TILLS = 8;

    protected function setUp(): void
    {
        parent::setUp();
        DB::statement('CREATE DATABASE IF NOT EXISTS elmstone_test_race');
        config(['database.connections.mariadb.database' => 'elmstone_test_race']);
        DB::purge();
        $this->artisan('migrate:fresh');
        Scene::build();
    }

    public function test_numbers_have_no_gap_and_stock_no_error_when_all_tills_post_at_once(): void
    {
        $this->atOnce(function (int $number): void {
            for ($i = 0; $i < 12; $i++) {
                [$slip, $act] = $this->settled($number, ['LH-1141', '2 x LH-1140'], $number % 2 === 0);
                app(PostSale::class)->handle($slip, $act);
            }
        });

        $numbers = DB::table('documents')->orderBy('number')->pluck('number')->all();
        $this->assertSame(range(1, self::TILLS * 12), $numbers);
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_one_slip_posted_by_everyone_at_once_is_one_document(): void
    {
        [$slip, $act] = $this->settled(0, ['LH-1140']);
        $this->atOnce(static fn (int $number): mixed => app(PostSale::class)->handle($slip, $act));
        $this->assertSame([1, 1], [DB::table('documents')->count(), (int) DB::table('series')->where('kind', 'invoice')->value('last_number')]);
    }

    public function test_one_slip_scanned_into_by_everyone_at_once_has_every_piece(): void
    {
        $slip = (string) Str::uuid();
        $this->atOnce(function (int $number) use ($slip): void {
            for ($i = 0; $i < 10; $i++) {
                app(AddToSlip::class)->handle($slip, $this->act(), 'LH-1140');
            }
        });
        $this->assertSame(['80.0000'], DB::table('slip_lines')->pluck('quantity')->all());
    }

    /**
     * @param  list<string>  $entries
     * @return array{string, Act}
     */
    private function settled(int $number, array $entries, bool $turned = false): array
    {
        $slip = (string) Str::uuid();

        foreach ($turned ? array_reverse($entries) : $entries as $entry) {
            app(AddToSlip::class)->handle($slip, $this->act(), $entry);
        }

        $version = app(CountTender::class)->cash($slip, $this->act(), Money::of('100.00', Currency::of('USD')))->version;

        return [$slip, $this->act($version)];
    }

    private function act(?int $version = null): Act
    {
        return new Act((string) Str::uuid(), Staff::query()->firstOrFail(), Till::query()->with('location.taxProfile.components')->findOrFail(1), $version);
    }

    /** @param  Closure(int): mixed  $do */
    private function atOnce(Closure $do): void
    {
        DB::disconnect();
        $children = [];

        for ($number = 0; $number < self::TILLS; $number++) {
            $child = pcntl_fork();

            if ($child === 0) {
                try {
                    $do($number);
                    $code = 0;
                } catch (\Throwable $failure) {
                    fwrite(STDERR, "{$failure->getMessage()}\n");
                    $code = 1;
                }

                DB::disconnect();
                posix_kill((int) getmypid(), $code === 0 ? SIGKILL : SIGTERM);
            }

            $children[] = $child;
        }

        foreach ($children as $child) {
            pcntl_waitpid($child, $status);
            $this->assertSame(SIGKILL, pcntl_wtermsig($status), 'A till failed.');
        }
    }
}
