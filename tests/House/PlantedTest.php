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
        $found = $this->analysed("{$tree}/rules.neon");
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

    public function test_money_compared_by_an_operator_is_found(): void
    {
        $this->tree = $tree = sys_get_temp_dir().'/planted-'.bin2hex(random_bytes(6));
        $house = dirname(__DIR__, 2);
        mkdir($tree);
        $wrong = [
            '$money === $money', '$money === 0', '$none !== 0', '$money > 0', '[$money, 1] <=> [$money, 2]', '! $money',
            '$money ? 1 : 2', '(int) $money', 'min($money, $money)', 'array_sum([$money])',
            'in_array($money, [$money])',
        ];
        $right = ['$none === null', '[$money] === []', '$money->equals($money)', '$none?->isZero() === true'];
        file_put_contents(
            "{$tree}/Planted.php",
            "<?php use Elmstone\\Core\\Money\\Money;\n"
                ."function planted(Money \$money, ?Money \$none): array { return [\n"
                .implode(",\n", [...$wrong, ...$right])."\n]; }\n",
        );
        file_put_contents(
            "{$tree}/rules.neon",
            <<<NEON
            parameters:
                level: 0
                paths: [{$tree}]
                tmpDir: {$tree}/tmp
                scanDirectories: [{$house}/core]
            services:
                -
                    class: Elmstone\Tests\House\MoneyCompared
                    tags: [phpstan.rules.rule]
            NEON
            ,
        );
        $lines = [];

        foreach ($this->analysed("{$tree}/rules.neon")["{$tree}/Planted.php"]['messages'] ?? [] as $message) {
            $message['identifier'] === 'money' && ($lines[] = $message['line']);
        }

        sort($lines);
        $this->assertSame(range(3, 2 + count($wrong)), array_values(array_unique($lines)));
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

    /** @return array<string, array{messages: list<array{message: string, line: int, identifier: string}>}> by file */
    private function analysed(string $rules): array
    {
        exec(
            'cd '
                .escapeshellarg(dirname(__DIR__, 2))
                .' && vendor/bin/phpstan analyse -c '
                .escapeshellarg($rules)
                .' --no-progress --memory-limit=1G --error-format=json 2>/dev/null',
            $said,
        );

        return json_decode(implode("\n", $said), true, 64, JSON_THROW_ON_ERROR)['files'];
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
