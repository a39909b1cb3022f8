<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\Act;
use Elmstone\Shop\Till;
use Elmstone\Support\LockLadder;
use Elmstone\Tests\TestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Several tills at the same instant, as processes of their own on a database of their own, with the order of their
 * locks watched.
 */
abstract class RaceCase extends TestCase
{
    use Accounts;

    protected const TILLS = 8;

    protected function setUp(): void
    {
        parent::setUp();
        DB::statement('CREATE DATABASE IF NOT EXISTS elmstone_test_race');
        config(['database.connections.mariadb.database' => 'elmstone_test_race']);
        DB::purge();
        $this->artisan('migrate:fresh');
        LockLadder::watch(app('events'));
        Scene::build(open: $this->tillsAreOpen());
    }

    /** Whether the tills are open already, with nothing in them. */
    protected function tillsAreOpen(): bool
    {
        return true;
    }

    /**
     * @param  list<string>  $entries
     * @return array{string, Act}
     */
    protected function settled(int $number, array $entries, bool $turned = false): array
    {
        $slip = (string) Str::uuid();

        foreach ($turned ? array_reverse($entries) : $entries as $entry) {
            app(AddToSlip::class)->handle($slip, $this->act(), $entry);
        }

        $version = app(CountTender::class)->cash($slip, $this->act(), Money::of('100.00', Currency::of('USD')))
            ->version;

        return [$slip, $this->act($version)];
    }

    protected function act(?int $version = null, string $by = '101'): Act
    {
        return new Act(
            (string) Str::uuid(),
            $this->staff($by),
            Till::query()->with('location.taxProfile.components')->findOrFail(1),
            $version,
        );
    }

    /** @param  Closure(int): mixed  $do */
    protected function atOnce(Closure $do): void
    {
        DB::disconnect();
        $done = tempnam(sys_get_temp_dir(), 'done') ?: '';
        $children = [];

        for ($number = 0; $number < self::TILLS; $number++) {
            $child = pcntl_fork();

            if ($child === 0) {
                try {
                    $do($number);
                    file_put_contents($done, "{$number}\n", FILE_APPEND | LOCK_EX);
                } catch (\Throwable $failure) {
                    fwrite(STDERR, "{$failure->getMessage()}\n");
                }

                // Not an exit: what the parent opened is the parent's to close.
                DB::disconnect();
                posix_kill((int) getmypid(), SIGKILL);
            }

            $children[] = $child;
        }

        foreach ($children as $child) {
            pcntl_waitpid($child, $status);
        }

        $numbers = array_map(intval(...), file($done, FILE_IGNORE_NEW_LINES) ?: []);
        unlink($done);
        sort($numbers);
        $this->assertSame(range(0, self::TILLS - 1), $numbers, 'A till failed.');
    }
}
