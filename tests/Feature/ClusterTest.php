<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Support\Database\Cluster\Nodes;
use Elmstone\Tests\TestCase;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use LogicException;
use PDO;
use PDOException;
use Symfony\Component\Process\Process;

/**
 * Three databases on loopback that keep the same: everybody writes to one of them, and what was under way on another
 * never stands. And a short share of ./elmstone soak kills.
 */
final class ClusterTest extends TestCase
{
    private const NODES = ['one', 'two', 'three'];

    private static string $folder = '';

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/elmstone-nodes-'.bin2hex(random_bytes(4));
        mkdir(self::$folder);
        self::bash('unpacked "${CLUSTERING[@]}"; nodes_first "$1" 64M 2');
        $one = self::to('one');
        $one->exec('CREATE TABLE writers (turn BIGINT UNSIGNED PRIMARY KEY, node VARCHAR(64) NOT NULL)');
        $one->exec('CREATE TABLE writer_marks (id BIGINT UNSIGNED AUTO_INCREMENT PRIMARY KEY, turn BIGINT UNSIGNED NOT '
            .'NULL, FOREIGN KEY (turn) REFERENCES writers (turn))');
        $one->exec('CREATE TABLE days (id INT PRIMARY KEY, closed INT NOT NULL)');
        $one->exec('CREATE TABLE sales (id BIGINT AUTO_INCREMENT PRIMARY KEY, what VARCHAR(40) NOT NULL UNIQUE)');
        $one->exec('INSERT INTO days VALUES (1, 0)');
        unset($one);
        self::bash('nodes_spread "$1"');
    }

    public static function tearDownAfterClass(): void
    {
        self::bash('nodes_stop "$1"; rm -rf "$1"');
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->speaksToAll('first');
    }

    protected function tearDown(): void
    {
        DB::disconnect();
        parent::tearDown();
    }

    public function test_everybody_writes_to_the_same_node_whichever_they_remember(): void
    {
        self::assertContains($this->node(), self::NODES);
        $writes = $this->node();

        foreach (self::NODES as $remembered) {
            file_put_contents(self::$folder.'/other', $remembered);
            $this->speaksToAll('other');
            self::assertSame($writes, $this->node());
            self::assertSame($writes, trim((string) file_get_contents(self::$folder.'/other')));
        }
    }

    /** What a sale and the closing of its day rest on: a row that one only reads under its lock. */
    public function test_what_was_under_way_on_another_node_is_done_again_and_sees_what_was_written_meanwhile(): void
    {
        $seen = [];
        DB::transaction(function () use (&$seen): void {
            $seen[] = [$this->node(), (int) DB::table('days')->lockForUpdate()->value('closed')];
            DB::table('sales')->insert(['what' => 'a sale']);
            count($seen) > 1 || $this->another(static fn (PDO $there) => $there->exec('UPDATE days SET closed = 1'));
        });
        self::assertSame([0, 1], array_column($seen, 1));
        self::assertNotSame($seen[0][0], $seen[1][0]);
        $this->everywhere(1, "SELECT COUNT(*) FROM sales WHERE what = 'a sale'");
        $this->everywhere(0, 'SELECT COUNT(*) FROM writer_marks');
    }

    /** The proof of the one before: it is the turn that holds it, and nothing else would. */
    public function test_without_it_both_would_stand(): void
    {
        $here = self::to($this->node());
        // As the application reads: only what is there is locked, not the gaps beside it.
        $here->exec('SET SESSION tx_isolation = "READ-COMMITTED"');
        $here->exec('UPDATE days SET closed = 0');
        $here->beginTransaction();
        self::assertSame('0', (string) self::value($here, 'SELECT closed FROM days FOR UPDATE'));
        $here->exec("INSERT INTO sales (what) VALUES ('unguarded')");
        $this->another(static fn (PDO $there) => $there->exec('INSERT INTO days VALUES (2, 1)'));
        self::assertTrue($here->commit());
        $this->everywhere(1, "SELECT COUNT(*) FROM sales WHERE what = 'unguarded'");
    }

    public function test_many_write_at_once_on_one_node_and_none_waits_for_another(): void
    {
        $node = $this->node();
        [$one, $two] = [self::to($node), self::to($node)];

        foreach ([$one, $two] as $place => $database) {
            $database->exec('SET SESSION innodb_lock_wait_timeout = 1');
            $database->beginTransaction();
            $marked = $database->exec(
                'INSERT INTO writer_marks (turn) SELECT turn FROM writers WHERE node = @@wsrep_node_name',
            );
            self::assertSame(1, $marked);
            $database->exec('DELETE FROM writer_marks WHERE id = LAST_INSERT_ID()');
            $database->exec("INSERT INTO sales (what) VALUES ('at once {$place}')");
        }

        $one->commit();
        $two->commit();
        $this->everywhere(2, "SELECT COUNT(*) FROM sales WHERE what LIKE 'at once%'");
    }

    public function test_a_node_that_dies_is_followed_by_another_and_one_alone_answers_nobody(): void
    {
        $dead = $this->node();
        self::bash("node_kill \"\$1\" {$dead}");
        $this->speaksToAll('first');
        $next = $this->patiently(fn (): string => $this->node());
        self::assertNotSame($dead, $next);
        $this->patiently(static fn (): bool => DB::transaction(
            static fn (): bool => DB::table('sales')->insert(['what' => 'after its death']),
        ));
        // It comes back, and is not written to for that.
        self::bash("node_start \"\$1\" {$dead}; node_await \"\$1\" {$dead}");
        $this->speaksToAll('first');
        self::assertSame($next, $this->node());
        $this->everywhere(1, "SELECT COUNT(*) FROM sales WHERE what = 'after its death'");

        // Of three one alone knows nothing of what the others may have done: it says so rather than answer.
        self::bash("node_kill \"\$1\" {$dead}; node_kill \"\$1\" {$next}");
        $this->speaksToAll('first');
        $refused = null;

        for ($tries = 0; $tries < 40 && $refused === null; $tries++) {
            try {
                DB::table('days')->value('closed');
                usleep(250_000);
                $this->speaksToAll('first');
            } catch (QueryException|PDOException $failure) {
                $refused = $failure->getMessage();
            }
        }

        self::assertMatchesRegularExpression('/1047|2002|refused|Primary Component/', (string) $refused);
        self::bash('nodes_up "$1"');
        $this->speaksToAll('first');
        $this->patiently(fn (): string => $this->node());
        $this->everywhere(1, "SELECT COUNT(*) FROM sales WHERE what = 'after its death'");
    }

    public function test_nodes_are_named_as_they_call_themselves(): void
    {
        self::assertSame([], Nodes::read(''));
        self::assertSame(
            ['one' => ['host' => '10.0.0.11', 'port' => '3306'], 'two' => ['host' => 'db2.example', 'port' => '3307']],
            Nodes::read('one=10.0.0.11:3306, two=db2.example:3307'),
        );
        $nodes = config('database.connections.mariadb.nodes');
        config(['database.connections.mariadb.nodes' => ['else' => $nodes['one']]]);
        DB::purge();

        try {
            DB::table('days')->count();
            self::fail('A node was taken for another.');
        } catch (QueryException $failure) {
            self::assertStringContainsString('calls a node else that calls itself one', $failure->getMessage());
        }

        $this->expectException(LogicException::class);
        Nodes::read('10.0.0.11');
    }

    public function test_a_short_share_of_the_kills(): void
    {
        $report = self::$folder.'/report.md';
        $kills = getenv('ELMSTONE_CLUSTER_KILLS') ?: '10';
        $seed = getenv('ELMSTONE_SEED') ?: '20261127';
        $done = new Process(
            ['./elmstone', 'soak', 'kills', $kills, $seed, '3'],
            base_path(),
            ['ELMSTONE_REPORT' => $report, 'ELMSTONE_BUFFER' => '128M'],
            timeout: 600,
        );
        $done->run();
        self::assertSame(0, $done->getExitCode(), $done->getOutput().$done->getErrorOutput());
        $said = (string) file_get_contents($report);
        self::assertStringContainsString("{$kills} kills in turns", $said);
        self::assertStringContainsString('the books prove', $said);
        self::assertStringContainsString('All three have the same: yes.', $said);
    }

    /** From here on as an application that keeps in this file which node it was last. */
    private function speaksToAll(string $remembers): void
    {
        $nodes = [];

        foreach (self::NODES as $name) {
            $nodes[$name] = ['host' => '127.0.0.1', 'port' => self::port($name)];
        }

        config([
            'database.connections.mariadb.nodes' => $nodes,
            'database.connections.mariadb.remembers' => self::$folder."/{$remembers}",
            'database.connections.mariadb.database' => 'elmstone',
            'database.connections.mariadb.username' => 'elmstone',
            'database.connections.mariadb.password' => file_get_contents(self::$folder.'/one/password'),
        ]);
        DB::purge();
    }

    private function node(): string
    {
        $name = DB::scalar('SELECT @@wsrep_node_name');

        return is_string($name) ? $name : '';
    }

    /** Another node takes its turn, and something is written there. */
    private function another(Closure $write): void
    {
        $name = self::NODES[(array_search($this->node(), self::NODES, true) + 1) % 3];
        $there = self::to($name);
        $turn = (int) self::value($there, 'SELECT MAX(turn) FROM writers');
        $there->beginTransaction();
        $there->exec('INSERT INTO writers (turn, node) VALUES ('.($turn + 1).", '{$name}')");
        $there->exec("DELETE FROM writers WHERE turn <= {$turn}");
        $there->commit();
        $write($there);
    }

    private function everywhere(int $count, string $sql): void
    {
        foreach (self::NODES as $name) {
            $there = self::to($name);
            $there->exec('SET SESSION wsrep_sync_wait = 1');
            self::assertSame($count, (int) self::value($there, $sql), $name);
        }
    }

    /**
     * As the page does it: a node's death is noticed after a moment.
     *
     * @template T
     *
     * @param  Closure(): T  $act
     * @return T
     */
    private function patiently(Closure $act): mixed
    {
        for ($tries = 0; ; $tries++) {
            try {
                return $act();
            } catch (QueryException|PDOException $failure) {
                $tries < 60 || throw $failure;
                usleep(250_000);
                DB::purge();
            }
        }
    }

    private static function to(string $node): PDO
    {
        return new PDO(
            'mysql:host=127.0.0.1;port='.self::port($node).';dbname=elmstone',
            'elmstone',
            (string) file_get_contents(self::$folder.'/one/password'),
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::ATTR_EMULATE_PREPARES => true],
        );
    }

    private static function value(PDO $database, string $sql): mixed
    {
        $found = $database->query($sql);

        return $found === false ? null : $found->fetchColumn();
    }

    private static function port(string $node): string
    {
        return trim((string) file_get_contents(self::$folder."/{$node}/port"));
    }

    private static function bash(string $script): void
    {
        $done = new Process(
            ['bash', '-c', ". bin/house.sh; . bin/nodes.sh; unpacked; {$script}", 'bash', self::$folder],
            dirname(__DIR__, 2),
            timeout: 300,
        );
        $done->run();
        self::assertSame(0, $done->getExitCode(), $script.$done->getOutput().$done->getErrorOutput());
    }
}
