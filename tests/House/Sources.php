<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** The files of a folder and of those in it. */
final class Sources
{
    /** @return iterable<string, string> by path from the folder */
    public static function of(string $root): iterable
    {
        foreach (
            new RecursiveIteratorIterator(
                new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            yield substr((string) $file, strlen($root) + 1) => (string) file_get_contents((string) $file);
        }
    }
}
