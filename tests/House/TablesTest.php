<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * No room names another's table, in SQL or through the query builder: it asks that room's classes. What still does is
 * written down in tables.json as a debt, room by room; a debt that is paid must be struck off, and none may be added.
 */
final class TablesTest extends TestCase
{
    /** @var array<string, string> by table: the room it belongs to */
    private array $owners = [];

    /** @var array<string, list<string>> by room: tables of others it still names */
    private array $debts = [];

    protected function setUp(): void
    {
        $written = json_decode((string) file_get_contents(__DIR__.'/tables.json'), true, 8, JSON_THROW_ON_ERROR);

        foreach ($written['rooms'] as $room => $tables) {
            $this->owners += array_fill_keys($tables, $room);
        }

        $this->debts = $written['debts'];
    }

    public function test_a_room_names_only_its_own_tables_and_those_it_still_owes_for(): void
    {
        $found = [];

        foreach (self::sources() as $room => $source) {
            $others = array_filter(
                Tables::named($source),
                fn (string $table): bool => ($this->owners[$table] ?? $room) !== $room,
            );
            $found[$room] = array_values(array_unique([...$found[$room] ?? [], ...$others]));
        }

        $found = array_filter($found);
        array_walk($found, static fn (array &$tables): bool => sort($tables));
        ksort($found);
        $this->assertSame($this->debts, $found);
    }

    public function test_nobody_writes_anothers_table(): void
    {
        $found = [];

        foreach (self::sources() as $room => $source) {
            foreach (Tables::written($source) as $table) {
                ($this->owners[$table] ?? $room) === $room || ($found[] = "{$room} writes {$table}");
            }
        }

        $this->assertSame([], array_values(array_unique($found)));
    }

    public function test_every_table_belongs_to_a_room(): void
    {
        $made = [];

        foreach (glob(dirname(__DIR__, 2).'/database/migrations/*.php') ?: [] as $file) {
            $source = (string) file_get_contents($file);
            preg_match_all("/Schema::create\('([a-z_]+)'/", $source, $created);
            preg_match_all("/Schema::rename\('([a-z_]+)', '([a-z_]+)'\)/", $source, $renamed);
            $made = array_diff([...$made, ...$created[1], ...$renamed[2]], $renamed[1]);
        }

        $this->assertEqualsCanonicalizing(array_values(array_unique($made)), [
            ...array_keys($this->owners),
            'sessions',
            'cache',
            'cache_locks',
        ]);
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> */
    public static function planted(): iterable
    {
        yield 'the query builder' => [
            "DB::table('slips as s')->leftJoin(\n    'layaways as l', 'x', '=', 'y')->get();",
            ['slips', 'layaways'],
            [],
        ];
        yield 'SQL' => [
            "DB::select('SELECT 1 FROM gift_cards g JOIN `coupons` c ON 1 = 1 WHERE EXISTS (SELECT 1 FROM plans)');",
            ['gift_cards', 'coupons', 'plans'],
            [],
        ];
        yield 'SQL over several lines' => ["DB::select(<<<'SQL'\nSELECT 1\n  FROM\n    series\nSQL);", ['series'], []];
        yield 'a builder that writes' => [
            "DB::table('stock')->where('id', 1)\n->update(['a' => DB::table('items')->count()]);",
            ['stock', 'items'],
            ['stock'],
        ];
        yield 'SQL that writes' => [
            "DB::statement('INSERT INTO open_items (a) SELECT b FROM plans'); DB::update('UPDATE series SET a = 1'); "
            ."DB::delete('DELETE FROM calls');",
            ['open_items', 'plans', 'series', 'calls'],
            ['open_items', 'series', 'calls'],
        ];
        yield 'words' => [
            '/** What is read from documents and put into stock. */ $x->from($y); // join the shop',
            [],
            [],
        ];
    }

    /**
     * @param  list<string>  $named
     * @param  list<string>  $written
     */
    #[DataProvider('planted')]
    public function test_what_is_planted_is_found(string $source, array $named, array $written): void
    {
        $this->assertEqualsCanonicalizing($named, Tables::named("<?php {$source}"));
        $this->assertEqualsCanonicalizing($written, Tables::written("<?php {$source}"));
    }

    /** @return iterable<string, string> by room, each file without its comments */
    private static function sources(): iterable
    {
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/app', \FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            if ($file->getExtension() === 'php') {
                preg_match('#/app/(\w+)/#', $file->getPathname(), $room);
                yield $room[1] => (string) file_get_contents($file->getPathname());
            }
        }
    }
}
