<?php

declare(strict_types=1);

/*
 * Read by the server before its first request: the classes that nearly every request needs stand ready in memory, so
 * that none of them is looked for and put together again. What cannot be made ready alone is left out, and comes when
 * it is used.
 */

$root = dirname(__DIR__);
$framework = "{$root}/vendor/laravel/framework/src/Illuminate";
$folders = [
    "{$root}/core", "{$root}/app", "{$root}/vendor/brick/math/src", "{$root}/vendor/ramsey/uuid/src",
    "{$root}/vendor/symfony/http-foundation", "{$root}/vendor/symfony/http-kernel", "{$root}/vendor/symfony/routing",
    "{$root}/vendor/symfony/mime", "{$root}/vendor/symfony/polyfill-php83", "{$root}/vendor/psr",
];

foreach (
    [
        'Auth', 'Bus', 'Cache', 'Collections', 'Conditionable', 'Config', 'Container', 'Contracts', 'Cookie',
        'Database', 'Encryption', 'Events', 'Filesystem', 'Foundation', 'Hashing', 'Http', 'Log', 'Macroable',
        'Pagination', 'Pipeline', 'Routing', 'Session', 'Support', 'Translation', 'Validation', 'View',
    ] as $part
) {
    $folders[] = "{$framework}/{$part}";
}

// Loaded by themselves, or scripts and templates rather than classes.
$without = '~/(Console|Testing|Tests|stubs|resources|lang)/|\.blade\.php$|/[a-z_]+\.php$~';
error_reporting(E_ALL & ~E_WARNING);
require "{$root}/vendor/autoload.php";

foreach ($folders as $folder) {
    $files = is_dir($folder)
        ? new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS))
        : [];

    foreach ($files as $file) {
        str_ends_with((string) $file, '.php')
            && preg_match($without, (string) $file) === 0
            && opcache_compile_file((string) $file);
    }
}
