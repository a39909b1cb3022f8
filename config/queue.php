<?php

declare(strict_types=1);

return [
    // sync: done at once, by whoever asks (tests, measuring); else by workers, who take their turns from the table.
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync', 'after_commit' => true],
        // In the transaction of what is asked for: it stands with its hand-over, or not at all. One piece of work takes
        // seconds. A worker that was killed at one leaves it to another after 90 of them.
        'database' => [
            'driver' => 'database', 'table' => 'jobs', 'queue' => 'short',
            'retry_after' => 90, 'after_commit' => false,
        ],
        // One piece takes minutes, and stands whole or not at all: a file that is brought in.
        'long' => [
            'driver' => env('QUEUE_CONNECTION', 'database'), 'table' => 'jobs', 'queue' => 'long',
            'retry_after' => 1200, 'after_commit' => env('QUEUE_CONNECTION', 'database') === 'sync',
        ],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'mariadb', 'table' => 'failed_jobs'],
];
