<?php

declare(strict_types=1);

namespace Elmstone\Support\Database\Cluster;

use Closure;
use LogicException;
use PDO;
use PDOException;

/**
 * Everybody speaks to the same node of a cluster, for as long as it answers: rows that are only read under a lock are
 * locked on one node, and no certificate of the cluster knows of them. Which node it is stands in a row they all have.
 * Where it does not answer, the next takes its turn; whatever was under way on the other then fails, and is done again
 * here (HouseConnection).
 *
 * Source: Galera Cluster's own documentation on certification: what two nodes changed at once stands or falls by keys
 * of rows, those of parents that foreign keys name among them.
 */
final class WritingNode
{
    private const TRIES = 6;

    /** MariaDB: cannot connect, gone, lost, going down; Galera: no part of the cluster, or not ready yet. */
    private const SILENT = [2002, 2003, 2005, 2006, 2013, 1053, 1047, 1927];

    /** Somebody else took the turn; or this did not stand before something else. */
    private const TAKEN = [1062, 1213, 1205];

    /**
     * @param  non-empty-array<string, array{host: string, port: string}>  $nodes by name
     * @param  Closure(array{host: string, port: string}): PDO  $open
     * @param  string  $remembers the file that says which node it was last
     */
    public function __construct(
        private readonly array $nodes,
        private readonly Closure $open,
        private readonly string $remembers,
    ) {
    }

    /** @throws PDOException where none answers */
    public function connect(): PDO
    {
        $last = is_file($this->remembers) ? trim((string) file_get_contents($this->remembers)) : '';
        $silent = [];
        $first = $last;

        for ($tries = 0; $tries < self::TRIES; $tries++) {
            [$pdo, $me, $turn, $writer] = $this->anyThatAnswers($first, $silent);

            if ($writer === $me) {
                $me === $last || file_put_contents($this->remembers, $me);

                return $pdo;
            }

            isset($this->nodes[$writer]) && ! isset($silent[$writer])
                ? $first = $writer
                : $first = $this->takeTurn($pdo, $me, $turn) ? $me : $writer;
        }

        throw new PDOException('The nodes of the cluster do not agree on which is written to. [1047]');
    }

    /**
     * @param  array<string, PDOException>  $silent those that did not answer, and why
     * @return array{PDO, string, int, string} a node, its name, the turn, and whose it is
     */
    private function anyThatAnswers(string $first, array &$silent): array
    {
        $order = array_keys($this->nodes);
        usort($order, static fn (string $a, string $b): int => ($b === $first) <=> ($a === $first));

        foreach ($order as $name) {
            if (isset($silent[$name])) {
                continue;
            }

            try {
                $pdo = ($this->open)($this->nodes[$name]);

                return [$pdo, $name, ...$this->turn($pdo, $name)];
            } catch (PDOException $failure) {
                self::isOneOf($failure, self::SILENT) || throw $failure;
                $silent[$name] = $failure;
            }
        }

        throw end($silent) ?: new LogicException('A cluster has nodes.');
    }

    /** @return array{int, string} as it stands once this node has all that others have acknowledged */
    private function turn(PDO $pdo, string $name): array
    {
        // Not for this one statement only, in its own words: so said, a node that is no part of the cluster answers.
        $pdo->exec('SET SESSION wsrep_sync_wait = 1');
        $row = $pdo->query(
            'SELECT @@wsrep_node_name, MAX(turn), (SELECT node FROM writers ORDER BY turn DESC LIMIT 1) FROM writers',
        );
        /** @var array{string, string|null, string|null} $row */
        $row = $row === false ? ['', null, null] : $row->fetch(PDO::FETCH_NUM);
        $pdo->exec('SET SESSION wsrep_sync_wait = 0');
        [$me, $turn, $writer] = $row;
        $me === $name
            || throw new LogicException("DB_NODES calls a node {$name} that calls itself {$me} (wsrep_node_name).");

        return [(int) $turn, (string) $writer];
    }

    /** Whether it is this node's turn from now on. */
    private function takeTurn(PDO $pdo, string $me, int $turn): bool
    {
        try {
            $pdo->beginTransaction();
            $pdo->prepare('INSERT INTO writers (turn, node) VALUES (?, ?)')->execute([$turn + 1, $me]);
            $pdo->prepare('DELETE FROM writers WHERE turn <= ?')->execute([$turn]);

            return $pdo->commit();
        } catch (PDOException $failure) {
            self::isOneOf($failure, self::TAKEN) || throw $failure;
            $pdo->inTransaction() && $pdo->rollBack();

            return false;
        }
    }

    /** @param  list<int>  $codes */
    private static function isOneOf(PDOException $failure, array $codes): bool
    {
        return in_array((int) ($failure->errorInfo[1] ?? $failure->getCode()), $codes, true);
    }
}
