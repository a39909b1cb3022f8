<?php

declare(strict_types=1);

use Elmstone\Support\Database\Cluster\Nodes;

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '3306'),
            // Where there is a cluster: its nodes, by the names they call themselves; host and port say nothing then.
            'nodes' => Nodes::read((string) env('DB_NODES', '')),
            'remembers' => storage_path('framework/writing-node'),
            'database' => env('DB_DATABASE', 'elmstone'),
            'username' => env('DB_USERNAME', 'elmstone'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'prefix' => '',
            'engine' => 'InnoDB',
            'use_db_after_connecting' => false,
            // What every session is set to, said once (HouseConnector).
            'session' => [
                // What is read under a lock is what stands there now, and a search locks no gaps in which others wait.
                'tx_isolation' => "'READ-COMMITTED'",
                'sql_mode' => "'ONLY_FULL_GROUP_BY,STRICT_TRANS_TABLES,NO_ZERO_IN_DATE,NO_ZERO_DATE,"
                    ."ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'",
                'time_zone' => "'+00:00'",
                // Lists of ids are looked up by what is known of a table, not by a dive into every index for each.
                'eq_range_index_dive_limit' => 10,
                'lock_wait_timeout' => 60,
                'innodb_lock_wait_timeout' => (int) env('DB_WAIT', 5),
                'max_statement_time' => (int) env('DB_STATEMENT_WAIT', 0),
            ],
            // No page waits longer than this for the database: to connect, for a lock, for an answer.
            'wait' => (int) env('DB_WAIT', 5),
            'options' => [
                PDO::ATTR_PERSISTENT => false,
                PDO::ATTR_TIMEOUT => 3,
                // One way to the server and back for each statement, not three; and never more than one statement.
                PDO::ATTR_EMULATE_PREPARES => true,
                PDO::MYSQL_ATTR_MULTI_STATEMENTS => false,
            ],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
