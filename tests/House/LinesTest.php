<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use FilesystemIterator;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Lines of at most 120 characters, in PHP, Blade, JavaScript, Sass and shell; what Pint cannot break, people do. */
final class LinesTest extends TestCase
{
    private const MOST = 120;

    private const MOST_LINES = 250;

    private const FOLDERS = [
        'app', 'bench', 'bin', 'bootstrap', 'config', 'core', 'database', 'public', 'resources', 'tests',
    ];

    public function test_no_line_is_longer(): void
    {
        $found = [];

        foreach (self::sources() as $name => $source) {
            array_push($found, ...array_map(static fn (int $line): string => "{$name}:{$line}", self::long($source)));
        }

        $this->assertSame([], $found);
    }

    public function test_a_longer_one_is_found_by_its_characters_not_its_bytes(): void
    {
        $this->assertSame([2], self::long(str_repeat('é', 120)."\n".str_repeat('é', 121)."\nx"));
    }

    /** The counter grew too big once: what has more lines than this has a second reason to exist. */
    public function test_no_file_of_the_counter_has_more_lines_than_one_reason_needs(): void
    {
        $found = [];

        foreach (self::sources() as $name => $source) {
            str_starts_with($name, 'app/Counter/') && ($found[$name] = substr_count($source, "\n"));
        }

        $this->assertGreaterThan(100, count($found));
        $this->assertSame([], array_filter($found, static fn (int $lines): bool => $lines > self::MOST_LINES));
    }

    /** @return list<int> */
    private static function long(string $source): array
    {
        $found = [];

        foreach (explode("\n", $source) as $i => $line) {
            mb_strlen($line) > self::MOST && $found[] = $i + 1;
        }

        return $found;
    }

    /** @return iterable<string, string> by path within the house; what was built is left out */
    private static function sources(): iterable
    {
        $house = dirname(__DIR__, 2);

        foreach (self::FOLDERS as $folder) {
            $within = new RecursiveDirectoryIterator("{$house}/{$folder}", FilesystemIterator::SKIP_DOTS);

            foreach (new RecursiveIteratorIterator($within) as $file) {
                $name = $file instanceof SplFileInfo ? substr($file->getPathname(), strlen($house) + 1) : '';
                $isSource = preg_match('/(?<!\.min)\.(php|js|mjs|scss|sh)$/', $name) === 1;
                $isBuilt = str_starts_with($name, 'public/build/') || str_starts_with($name, 'bootstrap/cache/');

                if ($isSource && ! $isBuilt) {
                    yield $name => (string) file_get_contents("{$house}/{$name}");
                }
            }
        }
    }
}
