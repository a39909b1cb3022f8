<?php

declare(strict_types=1);

namespace Elmstone\Tests;

use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase as Base;

abstract class TestCase extends Base
{
    /** Console output is read by Artisan::output(). */
    public $mockConsoleOutput = false;

    public function createApplication(): Application
    {
        /** @var Application $app */
        $app = require __DIR__.'/../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }
}
