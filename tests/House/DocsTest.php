<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use FilesystemIterator;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** Classes and folders that the pages of the house name are there, and what of a class is named, too. */
final class DocsTest extends TestCase
{
    private const PAGES = ['docs/rules.md', 'docs/architecture.md'];

    private const FOLDERS = ['app', 'core', 'bench', 'tests'];

    public function test_what_the_pages_name_is_there(): void
    {
        foreach (self::PAGES as $page) {
            $names = self::names((string) file_get_contents(self::house($page)));

            $this->assertGreaterThan(20, count($names), $page);
            $this->assertSame([], array_values(array_filter($names, self::isNowhere(...))), $page);
        }
    }

    public function test_a_class_that_went_is_found(): void
    {
        $page = 'In `Books\Register`, `Books\Register::postAll`, `core/Tax`; '
            .'not `Books\Gone`, nor `Books\Books::gone`.';

        $this->assertSame(
            ['Books\Gone', 'Books\Books::gone'],
            array_values(array_filter(self::names($page), self::isNowhere(...))),
        );
    }

    /** @return list<string> names with a room or a folder before them */
    private static function names(string $page): array
    {
        preg_match_all('~`((?:\w+[\\\\/])+[A-Z]\w+(?:::\w+)?)`~', $page, $found);

        return array_values(array_unique($found[1]));
    }

    /** Within a walk through a room the room itself is left out. */
    private static function isNowhere(string $name): bool
    {
        [$class, $member] = [...explode('::', $name), ''];
        $path = lcfirst(strtr($class, '\\', '/'));
        $ending = '~(^|/)'.preg_quote($path, '~').'(/.*|\.php)$~i';
        $files = preg_grep($ending, self::files()) ?: [];

        foreach ($files as $file) {
            if ($member === '' || preg_match("/\\b{$member}\\b/", (string) file_get_contents($file)) === 1) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> */
    private static function files(): array
    {
        static $files = [];

        foreach ($files === [] ? self::FOLDERS : [] as $folder) {
            $within = new RecursiveDirectoryIterator(self::house($folder), FilesystemIterator::SKIP_DOTS);

            foreach (new RecursiveIteratorIterator($within) as $file) {
                $files[] = (string) $file;
            }
        }

        return $files;
    }

    private static function house(string $path): string
    {
        return dirname(__DIR__, 2)."/{$path}";
    }
}
