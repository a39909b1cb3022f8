<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;

/** The application on a database of its own, with a month of the demonstration shop or with nothing, on a free port. */
final class Served
{
    public readonly string $address;

    private readonly int $port;

    private Process $server;

    /** @param  string|null  $setUpKey of a machine on which there is no shop yet; null: the demonstration */
    public function __construct(private readonly string $database, private readonly ?string $setUpKey = null)
    {
        $setUpKey === null ? $this->demonstration() : $this->artisan('migrate:fresh', '--force', '--quiet');
        $this->artisan('house:grants', 'elmstone_till');
        $this->port = self::freePort();
        $this->address = "http://127.0.0.1:{$this->port}";
        $this->start();
    }

    /** Loaded by whoever wants it first; the others, who wait for that meanwhile, take a copy of it. */
    private function demonstration(): void
    {
        $copy = $this->env('ELMSTONE_TEST_SCRATCH').'/demonstration.sql';
        $turn = fopen("{$copy}.lock", 'c') ?: throw new RuntimeException('No lock can be made.');
        flock($turn, LOCK_EX);

        if (! is_file($copy)) {
            $this->artisan('migrate:fresh', '--force', '--quiet');
            $this->artisan('shop:demo', '--months=1');
            $kept = ['--single-transaction', '--hex-blob', "--result-file={$copy}"];
            $this->client('mariadb-dump', ...[...$kept, $this->database]);
        } else {
            self::connected('')->exec("DROP DATABASE {$this->database}; CREATE DATABASE {$this->database}");
            $this->client('mariadb', $this->database, '-e', "source {$copy}");
        }

        fclose($turn);
    }

    private function client(string $program, string ...$words): void
    {
        (new Process(
            [
                $program, '--no-defaults', '--host=127.0.0.1', '--port='.$this->env('DB_PORT'), '--user=elmstone',
                ...array_values($words),
            ],
            env: ['MYSQL_PWD' => $this->env('DB_PASSWORD')],
            timeout: 300,
        ))->mustRun();
    }

    public function __destruct()
    {
        $this->stop();
    }

    public function start(): void
    {
        $root = dirname(__DIR__, 2);
        $router = "{$root}/vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php";
        $this->server = new Process(
            [
                PHP_BINARY,
                '-d',
                'opcache.enable_cli=1',
                '-d',
                'variables_order=EGPCS',
                '-S',
                "127.0.0.1:{$this->port}",
                $router,
            ],
            "{$root}/public",
            [
                ...$this->environment(),
                'DB_USERNAME' => 'elmstone_till',
                'DB_PASSWORD' => $this->env('DB_TILL_PASSWORD'),
                'SESSION_DRIVER' => 'database',
                'CACHE_STORE' => 'database',
                'QUEUE_CONNECTION' => 'sync',
            ],
            timeout: null,
        );
        $this->server->disableOutput();
        $this->server->start();

        for ($tries = 0; $tries < 100; $tries++) {
            if (@file_get_contents("{$this->address}/up") === 'up') {
                return;
            }

            usleep(50_000);
        }

        throw new RuntimeException('The application does not answer.');
    }

    public function stop(): void
    {
        $this->server->stop(0);
    }

    /** Runs a console command on the served database. */
    public function artisan(string ...$command): string
    {
        return (new Process(
            [PHP_BINARY, 'artisan', ...$command],
            dirname(__DIR__, 2),
            $this->environment(),
            timeout: 300,
        ))
            ->mustRun()
            ->getOutput();
    }

    /** An empty one, as ./elmstone up --empty serves it. */
    public static function empty(string $database, string $setUpKey): self
    {
        self::connected('')->exec("CREATE DATABASE IF NOT EXISTS {$database}");

        return new self($database, $setUpKey);
    }

    private static function connected(string $database): PDO
    {
        return new PDO(
            'mysql:host=127.0.0.1;port='.getenv('DB_PORT').($database === '' ? '' : ";dbname={$database}"),
            'elmstone',
            (string) getenv('DB_PASSWORD'),
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );
    }

    public function query(string $sql): mixed
    {
        $database = self::connected($this->database);

        $answer = $database->query($sql);

        return $answer === false ? null : $answer->fetchColumn();
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'DB_DATABASE' => $this->database,
            'APP_ENV' => $this->setUpKey === null ? 'demonstration' : 'production',
            'APP_DEBUG' => 'false',
            'ELMSTONE_STAND_INS' => $this->setUpKey === null ? 'true' : 'false',
            'ELMSTONE_SETUP_KEY' => $this->setUpKey ?? '',
            'SESSION_DRIVER' => 'file',
            'CACHE_STORE' => 'file',
            'BCRYPT_ROUNDS' => '4',
        ];
    }

    private function env(string $name): string
    {
        return (string) getenv($name);
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');

        return (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
    }
}
