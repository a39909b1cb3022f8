<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every model is a Record: for those the framework does not look for mutators and marks, so there may be none. */
final class RecordsTest extends TestCase
{
    private const BAD = [
        'a model that is no record' => '/extends (Model|Pivot|User)\b/',
        'a mutator of the old kind' => '/function [gs]et\w+Attribute\(/',
        'a mutator of the new kind' => '/function \w+\(\): Attribute\b/',
        'a mark on a method' => '/#\[(Boot|Initialize)\]/',
        'a mark on a model' => '/#\[(ObservedBy|ScopedBy)\b/',
        'a table that is guessed' => '/class \w+ extends Record\b(?![\s\S]*protected \$table = )/',
    ];

    public function test_models_are_records_and_become_values_by_casts(): void
    {
        $found = [];

        foreach (self::sources() as $path => $source) {
            array_map(static function (string $what) use ($path, &$found): void {
                $found[] = "{$path}: {$what}";
            }, self::bad($source));
        }

        $this->assertSame([], $found);
    }

    /** @return iterable<string, array{string, string}> */
    public static function planted(): iterable
    {
        yield 'model' => ['a model that is no record', 'final class Chair extends Model { protected $table = "x"; }'];
        yield 'old' => ['a mutator of the old kind', 'public function getHeightAttribute(): int'];
        yield 'new' => ['a mutator of the new kind', 'protected function height(): Attribute'];
        yield 'mark' => ['a mark on a method', '#[Boot] public static function up(): void'];
        yield 'observed' => ['a mark on a model', '#[ObservedBy(Watcher::class)] final class Chair'];
        yield 'scoped' => ['a mark on a model', '#[ScopedBy([Mine::class])] final class Chair'];
        yield 'table' => ['a table that is guessed', 'final class Chair extends Record { }'];
    }

    #[DataProvider('planted')]
    public function test_what_is_planted_is_found(string $what, string $source): void
    {
        $this->assertSame([$what], self::bad($source));
    }

    /** @return list<string> */
    private static function bad(string $source): array
    {
        return array_keys(array_filter(self::BAD, static fn (string $bad): bool => preg_match($bad, $source) === 1));
    }

    /** @return iterable<string, string> */
    private static function sources(): iterable
    {
        foreach (Sources::of(dirname(__DIR__, 2).'/app') as $path => $source) {
            $path === 'Support/Database/Record.php' || yield $path => $source;
        }
    }
}
