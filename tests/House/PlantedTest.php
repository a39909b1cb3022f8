<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use Elmstone\Tests\HouseRulesTest;
use Illuminate\Filesystem\Filesystem;
use PHPUnit\Framework\TestCase;

/** The rules of the house can fail: a violation of each kind is planted in a tree of its own, and analysis finds it. */
final class PlantedTest extends TestCase
{
    /** By what is wrong: the class, and what it leans on that it may not. */
    private const VIOLATIONS = [
        'the core knows the framework' => ['Core\Money\Planted', 'Illuminate\Support\Str'],
        'the core knows a date library' => ['Core\Receivables\Planted', 'Carbon\CarbonImmutable'],
        'the core knows a room' => ['Core\Slip\Planted', 'Elmstone\Books\Document'],
        'a circle in the core' => ['Core\Tax\Planted', 'Elmstone\Core\Slip\SlipLine'],
        'a room leans on one that is none of its neighbours' => ['Shop\Planted', 'Elmstone\Customers\Customer'],
        'a room leans on one that stands on it' => ['Books\Planted', 'Elmstone\Receivables\Ledger\Ledger'],
        'a room leans on the counter' => ['Layaways\Planted', 'Elmstone\Counter\Slip\Slip'],
        'a room leans on the roof' => ['Returns\Planted', 'Elmstone\Foundation\Http\Failures'],
        'a room leans on the demonstration' => ['Staff\Planted', 'Elmstone\Demo\DemoHouse'],
        'the floor leans on a room' => ['Support\Planted', 'Elmstone\Shop\House'],
        'the roof leans on the counter' => ['Foundation\Http\Planted', 'Elmstone\Counter\Slip\Slip'],
        'somebody else writes the books' => ['Receivables\Planted', 'Elmstone\Books\Drafts\DocumentRows'],
    ];

    private string $tree = '';

    protected function tearDown(): void
    {
        $this->tree === '' || (new Filesystem)->deleteDirectory($this->tree);
    }

    public function test_a_violation_of_each_kind_is_found(): void
    {
        $this->tree = $tree = $this->plant();
        exec(
            'cd '
                .escapeshellarg(dirname(__DIR__, 2))
                .' && vendor/bin/phpstan analyse -c '
                .escapeshellarg("{$tree}/rules.neon")
                .' --no-progress --memory-limit=1G --error-format=json 2>/dev/null',
            $said,
        );
        $found = json_decode(implode("\n", $said), true, 64, JSON_THROW_ON_ERROR)['files'];
        $silent = [];

        foreach (self::VIOLATIONS as $what => [$class, $leansOn]) {
            $messages = $found["{$tree}/".self::file($class)]['messages'] ?? [];
            $named = array_filter(
                $messages,
                static fn (array $message): bool => str_contains($message['message'], 'should not depend '
                    ."on {$leansOn}"),
            );
            $named === [] && ($silent[] = $what);
        }

        $this->assertSame([], $silent);
        // And what leans on nothing is left alone.
        $this->assertArrayNotHasKey("{$tree}/".self::file('Shop\Upright'), $found);
    }

    public function test_every_room_and_every_part_of_the_core_has_its_row(): void
    {
        $folders = static fn (string $of): array => array_map(
            basename(...),
            glob(dirname(__DIR__, 2)."/{$of}/*", GLOB_ONLYDIR) ?: [],
        );
        $this->assertEqualsCanonicalizing($folders('app'), [
            ...array_keys(HouseRulesTest::neighbours()),
            'Support',
            'Foundation',
        ]);
        $this->assertEqualsCanonicalizing($folders('core'), array_keys(HouseRulesTest::core()));
    }

    public function test_the_rows_themselves_make_no_circle(): void
    {
        foreach ([HouseRulesTest::neighbours() + ['Support' => []], HouseRulesTest::core()] as $rows) {
            while ($rows !== []) {
                $free = array_keys(
                    array_filter(
                        $rows,
                        static fn (array $below): bool => array_intersect($below, array_keys($rows)) === [],
                    ),
                );
                $this->assertNotSame([], $free, 'in a circle: '.implode(', ', array_keys($rows)));
                $rows = array_diff_key($rows, array_flip($free));
            }
        }
    }

    private function plant(): string
    {
        $tree = sys_get_temp_dir().'/planted-'.bin2hex(random_bytes(6));
        $house = dirname(__DIR__, 2);

        foreach ([...self::VIOLATIONS, ['Shop\Upright', 'Elmstone\Core\Money\Money']] as [$class, $leansOn]) {
            $file = "{$tree}/".self::file($class);
            is_dir(dirname($file)) || mkdir(dirname($file), recursive: true);
            $at = (int) strrpos($class, '\\');
            $name = substr($class, $at + 1);
            file_put_contents(
                $file,
                '<?php namespace Elmstone\\'
                    .substr($class, 0, $at)
                    ."; final class {$name} { public function leans(): ?\\{$leansOn} { return null; } }\n",
            );
        }

        file_put_contents(
            "{$tree}/rules.neon",
            <<<NEON
            includes:
                - {$house}/vendor/phpat/phpat/extension.neon
            parameters:
                level: 0
                paths: [{$tree}]
                tmpDir: {$tree}/tmp
            services:
                -
                    class: Elmstone\Tests\HouseRulesTest
                    tags: [phpat.test]
            NEON
            ,
        );

        return $tree;
    }

    private static function file(string $class): string
    {
        return str_replace('\\', '/', $class).'.php';
    }
}
