<?php

declare(strict_types=1);

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        'daily' => ['driver' => 'daily', 'path' => storage_path('logs/elmstone.log'), 'level' => 'info', 'days' => 30],
    ],
];
