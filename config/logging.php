<?php

declare(strict_types=1);

use Elmstone\Upkeep\Log\WithoutSecrets;
use Monolog\Formatter\JsonFormatter;

// A line of JSON for each event, with the number of the request it belongs to; a file a day, the last thirty kept.
return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/elmstone.log'),
            'level' => 'info',
            'days' => 30,
            'formatter' => JsonFormatter::class,
            'formatter_with' => ['includeStacktraces' => true],
            'tap' => [WithoutSecrets::class],
        ],
    ],
];
