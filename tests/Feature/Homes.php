<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Shop\Settings;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/** Shops in folders of their own, each with its own database, as ./elmstone makes them. */
trait Homes
{
    private string $folder;

    private function makeFolder(string $name): void
    {
        $this->folder = sys_get_temp_dir()."/elmstone-{$name}-".getmypid();
        is_dir($this->folder) || mkdir($this->folder, 0700);
    }

    private function clearFolder(): void
    {
        foreach (glob("{$this->folder}/*/db") ?: [] as $database) {
            $this->bash(basename(dirname($database)), 'database_stop "$HOUSE/db"');
        }

        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    /** A shop that is not there yet, of one's own. */
    private function home(string $home): void
    {
        mkdir("{$this->folder}/{$home}", 0700, true);
        file_put_contents("{$this->folder}/{$home}/kind", 'own');
        file_put_contents("{$this->folder}/{$home}/key", config('app.key'));
        $this->fine($this->bash($home, 'shop_database_start'));
    }

    /** From here on the application works with the database in a folder. */
    private function goesTo(string $home): void
    {
        $this->fine($this->bash($home, 'shop_database_start'));
        config([
            'database.connections.mariadb.port' => trim((string) file_get_contents("{$this->folder}/{$home}/db/port")),
            'database.connections.mariadb.password' => file_get_contents("{$this->folder}/{$home}/db/password"),
            'database.connections.mariadb.database' => 'elmstone',
            'database.connections.mariadb.username' => 'elmstone',
        ]);
        DB::purge();
        app()->forgetScopedInstances();
        app(Settings::class)->forget();
    }

    private function elmstone(string $home, string ...$words): Process
    {
        return $this->process(['./elmstone', ...array_values($words)], [
            'ELMSTONE_HOME' => "{$this->folder}/{$home}",
        ]);
    }

    private function bash(string $home, string $script): Process
    {
        return $this->process(
            ['bash', '-c', ". bin/house.sh; {$script}"],
            ['ELMSTONE_HOME' => "{$this->folder}/{$home}"],
        );
    }

    private function fine(Process $done): Process
    {
        self::assertSame(0, $done->getExitCode(), $done->getOutput().$done->getErrorOutput());

        return $done;
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment
     */
    private function process(array $command, array $environment): Process
    {
        $process = new Process($command, base_path(), ['CACHE_STORE' => 'file', ...$environment], timeout: 300);
        $process->run();

        return $process;
    }
}
