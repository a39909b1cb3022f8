<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use PDO;
use PDOException;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * deploy/install.sh from end to end, below a folder: nginx with TLS, php-fpm and the database as their units start
 * them, under a user without rights; a shop made, a sale through it, the night's work.
 */
final class DeployTest extends TestCase
{
    private const NAME = 'shop.example';

    private string $into;

    private int $http;

    private int $https;

    /** @var list<Process> */
    private array $running = [];

    protected function setUp(): void
    {
        $this->into = sys_get_temp_dir().'/elmstone-deploy-'.getmypid();
        [$this->http, $this->https] = [self::freePort(), self::freePort()];
    }

    protected function tearDown(): void
    {
        foreach (array_reverse($this->running) as $process) {
            $process->signal(SIGTERM);
        }

        array_map(static fn (Process $process): int => $process->wait(), $this->running);
        (new Process(['rm', '-rf', $this->into]))->run();
    }

    public function test_it_is_set_up_serves_by_tls_and_keeps_itself(): void
    {
        $said = $this->install();
        $address = 'https://'.self::NAME.":{$this->https}";
        self::assertStringContainsString("Set up your shop at  {$address}/setup?key=", $said);
        $this->assertUnitsAreSound();
        $this->install('the second time nothing that was set is lost');
        $this->serves();
        $this->assertDoors();
        $this->artisan('shop:install', '--from=deploy/shop.example.json');
        $this->sells();
        $this->assertWhoServesCannotChangeWhatIsPosted();
        $this->assertNightKeepsAndProves();
        $this->assertNothingWrongInTheLogs();
    }

    private function install(string $why = 'from nothing'): string
    {
        $install = new Process(
            [
                'bash', 'deploy/install.sh', '--name='.self::NAME, "--into={$this->into}", '--user='.self::user(),
                "--http={$this->http}", "--https={$this->https}", '--workers=3', '--nginx='.self::nginx(),
                '--zone=Europe/Lisbon',
            ],
            self::root(),
            self::clean(),
            timeout: 300,
        );
        $install->run();
        self::assertSame(0, $install->getExitCode(), $why.': '.$install->getOutput().$install->getErrorOutput());

        return $install->getOutput();
    }

    private function assertUnitsAreSound(): void
    {
        $units = glob("{$this->into}/etc/systemd/system/*") ?: [];
        self::assertCount(12, $units);

        foreach ($units as $unit) {
            self::assertDoesNotMatchRegularExpression('/@[A-Z_]+@/', (string) file_get_contents($unit), $unit);
        }

        $timers = preg_grep('/\.timer$/', $units) ?: [];
        self::assertCount(3, $timers);

        foreach ($timers as $timer) {
            self::assertFileExists(str_replace('.timer', '.service', $timer));
        }
    }

    /** Starts what the units start, as they start it. */
    private function serves(): void
    {
        // As the machine was put down and comes up again.
        $this->as('bash', '-c', "export ELMSTONE_HOME={$this->lib()}; . bin/house.sh; database_stop \"\$HOUSE/db\"");
        $this->unit('elmstone-database.service');
        $this->until(fn (): bool => $this->query('root', 'SELECT 1') === '1', 'the database');
        $conf = "{$this->into}/nginx.conf";
        $temp = "{$this->into}/nginx";
        mkdir($temp);
        file_put_contents($conf, (posix_geteuid() === 0 ? "user nobody nogroup;\n" : '')
            ."daemon off;\npid {$temp}/pid;\nerror_log {$temp}/error.log;\nevents {}\nhttp {\n"
            .'include '.self::nginx()."/mime.types;\naccess_log off;\n"
            .implode('', array_map(
                static fn (string $kind): string => "{$kind}_temp_path {$temp}/{$kind};\n",
                ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'],
            ))."include {$this->into}/etc/nginx/sites-enabled/elmstone.conf;\n}\n");
        $this->start(new Process(['nginx', '-c', $conf], env: self::clean(), timeout: null));
        // Nobody there to say what is wrong: nginx says it, in words of ours.
        $this->until(fn (): bool => str_starts_with($this->get('/counter'), 'HTTP/2 502'), 'nginx');
        self::assertStringContainsString('No answer came', $this->get('/counter', '-X', 'POST'));
        self::assertStringStartsWith('HTTP/2 404', $this->get('/away.html'));
        $this->unit('elmstone-php.service');
        $this->until(fn (): bool => str_starts_with($this->get('/up'), 'HTTP/2 200'), 'the application');
    }

    private function assertDoors(): void
    {
        $plain = $this->curl(["http://127.0.0.1:{$this->http}/counter", '-H', 'Host: '.self::NAME]);
        self::assertStringContainsString('301', $plain);
        self::assertStringContainsString('https://'.self::NAME, $plain);
        $page = $this->get('/setup');

        foreach (
            [
                'strict-transport-security: max-age=31536000', 'permissions-policy:',
                "content-security-policy: default-src 'none'",
                'x-content-type-options: nosniff', 'secure; HttpOnly', 'Whose shop is this?',
            ] as $words
        ) {
            self::assertStringContainsStringIgnoringCase($words, $page);
        }

        self::assertStringNotContainsStringIgnoringCase('x-powered-by', $page);

        foreach (['/.env', '/index.php/../../.env', '/artisan', '/elmstone', '/../.env', '/x.php'] as $path) {
            self::assertDoesNotMatchRegularExpression('~^HTTP/2 200~', $this->get($path, '--path-as-is'), $path);
            self::assertStringNotContainsString('APP_KEY', $this->get($path, '--path-as-is'), $path);
        }

        $css = preg_match('~/build/assets/app-[\w-]+\.css~', $page, $found) === 1 ? $found[0] : '';
        self::assertStringContainsString('cache-control: public, immutable', $this->get($css));
        self::assertStringContainsString(
            'HTTP/2 400',
            $this->curl(["https://127.0.0.1:{$this->https}/", '-k', '-H', 'Host: elsewhere.example']),
        );
    }

    /** A sale as the browser makes it, through all of it. */
    private function sells(): void
    {
        $jar = "{$this->into}/jar";
        $token = fn (string $page): string => preg_match(
            '/name="csrf-token" content="([^"]+)"/',
            $this->get($page, '-b', $jar, '-c', $jar),
            $found,
        ) === 1 ? $found[1] : '';
        $post = function (string $path, array $fields) use ($jar): string {
            $typed = [];

            foreach ($fields as $name => $value) {
                array_push($typed, '--data-urlencode', "{$name}={$value}");
            }

            return $this->get($path, '-b', $jar, '-c', $jar, ...$typed);
        };
        $first = $token('/sign-in');
        $in = $post('/sign-in', ['_token' => $first, 'till' => '1', 'number' => '10', 'pin' => '730194']);
        self::assertMatchesRegularExpression(
            '~location: https://'.preg_quote(self::NAME).":{$this->https}/?\r~i",
            $in,
        );
        $csrf = $token('/till');
        $post('/till/open', ['_token' => $csrf, 'as_left' => '1', 'key' => self::uuid()]);
        $slip = self::uuid();
        $version = '';

        foreach (
            [
                'one-off' => [
                    'description' => 'A hammer', 'price' => '20', 'quantity' => '1', 'tax_class' => 'standard',
                    'department_id' => '1',
                ],
                'cash' => ['cash' => '50'],
                'post' => [],
            ] as $act => $fields
        ) {
            $done = $post("/counter/{$slip}/{$act}", [
                '_token' => $csrf, 'act' => self::uuid(), 'version' => $version, ...$fields,
            ]);
            self::assertStringContainsString('HTTP/2 200', $done, $act);
            $version = trim($this->query('root', "SELECT version FROM slips WHERE `key` = '{$slip}'"));
        }

        self::assertSame('1', trim($this->query('root', "SELECT COUNT(*) FROM documents WHERE kind = 'invoice'")));
    }

    private function assertWhoServesCannotChangeWhatIsPosted(): void
    {
        $database = new PDO(
            'mysql:host=127.0.0.1;port='.file_get_contents("{$this->lib()}/db/port").';dbname=elmstone',
            'elmstone_till',
            (string) file_get_contents("{$this->lib()}/db/till-password"),
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );

        foreach (
            [
                'UPDATE documents SET total = 0', 'DELETE FROM journal_lines', 'DROP TABLE documents',
                'DROP TRIGGER documents_no_update', 'DELETE FROM setting_changes', 'CREATE TABLE mine (id INT)',
            ] as $sql
        ) {
            try {
                $database->exec($sql);
                self::fail("{$sql} went through.");
            } catch (PDOException $refused) {
                self::assertMatchesRegularExpression('/denied|Posted is posted/', $refused->getMessage());
            }
        }
    }

    private function assertNightKeepsAndProves(): void
    {
        $home = "ELMSTONE_HOME={$this->lib()}";
        $this->as('bash', '-c', "{$home} ./elmstone backup new-key");

        foreach (['elmstone-night.service', 'elmstone-log.service', 'elmstone-morning.service'] as $unit) {
            foreach ($this->commands($unit) as $command) {
                $done = $this->as('bash', '-c', "{$home} {$command}");
                self::assertSame(0, $done->getExitCode(), $command.$done->getOutput().$done->getErrorOutput());
            }
        }

        self::assertCount(1, glob("{$this->lib()}/backups/*.backup") ?: []);
        self::assertNotEmpty(glob("{$this->lib()}/backups/log/*.sealed") ?: []);
        self::assertSame('1', trim($this->query('root', 'SELECT COUNT(*) FROM backups')));
    }

    private function assertNothingWrongInTheLogs(): void
    {
        foreach (glob("{$this->place()}/storage/logs/*.log") ?: [] as $log) {
            self::assertStringNotContainsString('"level_name":"ERROR"', (string) file_get_contents($log));
        }

        self::assertStringNotContainsString('[emerg]', (string) file_get_contents("{$this->into}/nginx/error.log"));
        $environment = "{$this->place()}/.env";
        self::assertSame('0640', substr(sprintf('%o', fileperms($environment)), -4));
        self::assertStringStartsWith('07', substr(sprintf('%o', fileperms($this->lib())), -4));
    }

    private function artisan(string ...$words): void
    {
        $done = $this->as('php', 'artisan', ...$words);
        self::assertSame(0, $done->getExitCode(), $done->getOutput().$done->getErrorOutput());
    }

    private function unit(string $unit): void
    {
        $command = $this->commands($unit)[0];
        $this->start($this->process('bash', '-c', "ELMSTONE_HOME={$this->lib()} exec {$command}"));
    }

    /** @return list<string> what a unit starts */
    private function commands(string $unit): array
    {
        $text = str_replace("\\\n", ' ', (string) file_get_contents("{$this->into}/etc/systemd/system/{$unit}"));
        preg_match_all('/^ExecStart=(.+)$/m', $text, $found);

        return array_map(
            static fn (string $command): string => str_replace('/usr/sbin/php-fpm8.2', 'php-fpm8.2', $command),
            $found[1],
        );
    }

    private function start(Process $process): void
    {
        $process->start();
        $this->running[] = $process;
    }

    private function as(string ...$command): Process
    {
        $process = $this->process(...$command);
        $process->run();

        return $process;
    }

    /** Of the user without rights. */
    private function process(string ...$command): Process
    {
        $as = posix_geteuid() === 0
            ? ['setpriv', '--reuid=nobody', '--regid=nogroup', '--clear-groups'] : [];

        return new Process([...$as, ...array_values($command)], $this->place(), self::clean(), timeout: null);
    }

    private function query(string $user, string $sql): string
    {
        $socket = trim((string) @file_get_contents("{$this->lib()}/db/socket"));
        $asked = new Process(
            ['mariadb', '--no-defaults', "--user={$user}", "--socket={$socket}", '-N', 'elmstone', '-e', $sql],
            env: self::clean(),
        );
        $asked->run();

        return trim($asked->getOutput());
    }

    private function get(string $path, string ...$more): string
    {
        return $this->curl([
            'https://'.self::NAME.":{$this->https}{$path}", '--resolve', self::NAME.":{$this->https}:127.0.0.1",
            '--cacert', "{$this->into}/etc/elmstone/tls/fullchain.pem", ...array_values($more),
        ]);
    }

    /** @param  list<string>  $words */
    private function curl(array $words): string
    {
        $asked = new Process(['curl', '-sS', '-i', '--max-time', '30', ...$words], env: self::clean());
        $asked->run();

        return $asked->getOutput();
    }

    private function until(\Closure $is, string $what): void
    {
        for ($tries = 0; $tries < 300; $tries++) {
            if ($is()) {
                return;
            }

            usleep(100_000);
        }

        self::fail("{$what} does not answer: ".implode("\n", array_map(
            static fn (Process $process): string => $process->getErrorOutput().$process->getOutput(),
            $this->running,
        )));
    }

    private function lib(): string
    {
        return "{$this->into}/var/lib/elmstone";
    }

    private function place(): string
    {
        return "{$this->into}/srv/elmstone";
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }

    private static function user(): string
    {
        return posix_geteuid() === 0 ? 'nobody' : (posix_getpwuid(posix_geteuid())['name'] ?? '');
    }

    private static function nginx(): string
    {
        $tools = self::root().'/.elmstone/tools/etc/nginx';

        return is_dir($tools) ? $tools : '/etc/nginx';
    }

    /** @return array<string, string|false> nothing of what tests are told */
    private static function clean(): array
    {
        $names = array_diff(array_keys(getenv()), [
            'PATH', 'LANG', 'LC_ALL', 'HOME', 'COMPOSER_ALLOW_SUPERUSER', 'LD_LIBRARY_PATH',
            'PHP_INI_SCAN_DIR',
        ]);

        return array_fill_keys($names, false);
    }

    private static function uuid(): string
    {
        return \Ramsey\Uuid\Uuid::uuid4()->toString();
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');

        $name = $socket === false ? ':0' : (string) stream_socket_get_name($socket, false);

        return (int) substr((string) strrchr($name, ':'), 1);
    }
}
