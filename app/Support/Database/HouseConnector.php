<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Elmstone\Support\Database\Cluster\WritingNode;
use Illuminate\Database\Connectors\MariaDbConnector;
use PDO;

/**
 * Speaks to the one database, or to that node of a cluster whose turn it is; and sets a session to what the house
 * wants of it in one statement, where the framework takes four.
 */
final class HouseConnector extends MariaDbConnector
{
    /** @param  array<mixed>  $config as in config/database.php */
    public function connect(array $config): PDO
    {
        /** @var array<string, array{host: string, port: string}> $nodes */
        $nodes = is_array($config['nodes'] ?? null) ? $config['nodes'] : [];
        $remembers = is_string($config['remembers'] ?? null) ? $config['remembers'] : '';
        $one = fn (array $of): PDO => parent::connect([...$config, ...$of]);

        return $nodes === []
            ? $one([])
            : (new WritingNode($nodes, $one, $remembers))->connect();
    }

    /** @param  array<mixed>  $config as in config/database.php */
    protected function configureConnection(PDO $connection, array $config): void
    {
        $session = is_array($config['session'] ?? null) ? $config['session'] : [];
        $set = array_map(
            static fn (string $variable, string|int $value): string => "SESSION {$variable} = {$value}",
            array_keys($session),
            $session,
        );
        $names = "NAMES '{$config['charset']}' COLLATE '{$config['collation']}'";
        $connection->exec('SET '.implode(', ', [$names, ...$set]));
    }
}
