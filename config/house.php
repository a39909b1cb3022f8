<?php

declare(strict_types=1);

return [
    // The shop's zone: it decides the business date and every time people see. Moments are kept in UTC.
    'timezone' => env('APP_TIMEZONE', 'UTC'),
    // The names this computer is known by, besides that of APP_URL and the machine itself.
    'hosts' => array_values(
        array_unique(
            array_filter(
                [
                    'localhost',
                    '127.0.0.1',
                    '[::1]',
                    strtolower((string) parse_url((string) env('APP_URL', ''), PHP_URL_HOST)),
                    ...array_map(
                        static fn (string $host): string => strtolower(trim($host)),
                        explode(',', (string) env('ELMSTONE_HOSTS', '')),
                    ),
                ],
                static fn (string $host): bool => $host !== '',
            ),
        ),
    ),
    // Who stands before this machine and says truly who asked, and how: addresses, with commas. Nobody: as it looks.
    'proxies' => array_values(array_filter(array_map('trim', explode(',', (string) env('ELMSTONE_PROXIES', ''))))),
    // Terminal, printer, drawer, mailbox and display that are played on a page: for trying out and for tests.
    'stand_ins' => (bool) env('ELMSTONE_STAND_INS', false),
    // Whoever sets the shop up shows it first; 16 letters or more. Without it a shop is made by shop:install only.
    'set_up_key' => env('ELMSTONE_SETUP_KEY', ''),
    // A program that reads /metrics shows it; 16 letters or more. Without it only who may see how the house runs.
    'metrics_token' => env('ELMSTONE_METRICS_TOKEN', ''),
    // Mail goes by SMTP where a server is named (MAIL_HOST, MAIL_PORT, MAIL_USERNAME, MAIL_PASSWORD).
    'smtp' => env('MAIL_HOST', '') !== '',
    // 32 bytes in base64 that closed days and exports are signed with; none: one made from APP_KEY.
    'signing_key' => env('ELMSTONE_SIGNING_KEY', ''),
    // Where web shops that send files have their folders.
    'web_orders' => env('ELMSTONE_WEB_ORDERS', storage_path('app/web-orders')),
];
