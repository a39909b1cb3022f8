<?php

declare(strict_types=1);

return [
    'name' => 'Elmstone',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    // Moments are kept and reckoned in UTC. The shop's own zone, for the business date and what people see:
    // config/house.php.
    'timezone' => 'UTC',
    'key' => env('APP_KEY'),
];
