<?php

declare(strict_types=1);

/*
 * Read by the server before its first request: the classes that nearly every request needs stand ready in memory, so
 * that none of them is looked for and put together again. Those whose parents are missing here are left out.
 */

$root = dirname(__DIR__);
$folders = [
    "{$root}/core", "{$root}/app", "{$root}/vendor/brick/math/src", "{$root}/vendor/nesbot/carbon/src/Carbon",
    "{$root}/vendor/ramsey/uuid/src", "{$root}/vendor/symfony/http-foundation", "{$root}/vendor/symfony/http-kernel",
    "{$root}/vendor/symfony/routing", "{$root}/vendor/laravel/framework/src/Illuminate",
];
$without = '~/(Console|Testing|Tests|Queue|Broadcasting|Notifications|Redis|Resources|Lang|stubs|views)/|routes\.php$|\.blade\.php$~';
