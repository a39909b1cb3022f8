<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Illuminate\Database\Connectors\MariaDbConnector;
use PDO;

/** Sets a session to what the house wants of it in one statement, where the framework takes four. */
final class HouseConnector extends MariaDbConnector
{
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
