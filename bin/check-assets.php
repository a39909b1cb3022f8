<?php

declare(strict_types=1);

/*
 * Fails when the built files in public/build are older than what they are made from. bin/stamp-assets.mjs writes the
 * stamp.
 */

$root = dirname(__DIR__);
$files = ['package.json', 'vite.config.js'];

foreach (['resources/css', 'resources/js', 'resources/fonts'] as $folder) {
    $within = new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS);

    foreach (new RecursiveIteratorIterator($within) as $file) {
        $files[] = substr((string) $file, strlen($root) + 1);
    }
}

sort($files, SORT_STRING);
$hash = hash_init('sha256');

foreach ($files as $file) {
    hash_update($hash, "{$file}\0".file_get_contents("{$root}/{$file}")."\0");
}

if (hash_final($hash) !== trim((string) @file_get_contents("{$root}/public/build/sources.sha256"))) {
    fwrite(
        STDERR,
        "The built files are older than their sources: run npm ci && npm run build, and commit public/build.\n",
    );
    exit(1);
}
