<?php

declare(strict_types=1);

namespace Elmstone\Tests;

use Elmstone\Support\Database\HouseConnection;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase as Base;
use Illuminate\Support\Facades\DB;

abstract class TestCase extends Base
{
    /** Console output is read by Artisan::output(). */
    public $mockConsoleOutput = false;

    protected function setUp(): void
    {
        parent::setUp();
        $connection = DB::connection();
        // A test's own transaction is not one of the application's.
        $connection instanceof HouseConnection && ($connection->outside = $connection->transactionLevel());
    }

    /** Another database from now on, beside the one it would be. */
    protected function useDatabase(string $name): void
    {
        DB::statement("CREATE DATABASE IF NOT EXISTS {$name}");
        config(['database.connections.mariadb.database' => $name]);
        DB::purge();
    }

    public function createApplication(): Application
    {
        /** @var Application $app */
        $app = require __DIR__.'/../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }
}
