<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Shop\Shop;
use Elmstone\Tests\TestCase;
use Elmstone\Upkeep\Version;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * A shop of each release before, with its data, goes on with this one: its books prove, and people sell. Where they do
 * not prove, everything is as it was.
 */
final class UpgradeTest extends TestCase
{
    use Homes;

    protected function setUp(): void
    {
        parent::setUp();
        $this->makeFolder('upgrade');
    }

    protected function tearDown(): void
    {
        $this->clearFolder();
        parent::tearDown();
    }

    /** @return iterable<string, array{string}> a dump of each release */
    public static function releases(): iterable
    {
        foreach (glob(dirname(__DIR__).'/fixtures/releases/*.sql.gz') ?: [] as $dump) {
            yield basename($dump, '.sql.gz') => [$dump];
        }
    }

    #[DataProvider('releases')]
    public function test_a_shop_of_a_release_before_goes_on_with_this_one_or_stays_as_it_was(string $dump): void
    {
        $this->home('shop');
        $this->fine($this->bash('shop', "zcat '{$dump}' | database_root \"\$HOUSE/db\" elmstone"));
        $this->goesTo('shop');
        $before = [
            DB::table('migrations')->count(), DB::table('documents')->count(),
            DB::table('series_heads')->orderBy('kind')->pluck('digest', 'kind')->all(),
        ];

        // Somebody tampered with it: it does not prove, and nothing is changed by trying.
        $this->tamper('+ 1');
        $refused = $this->elmstone('shop', 'upgrade');
        self::assertSame(1, $refused->getExitCode(), $refused->getOutput());
        self::assertStringContainsString('putting back what was', $refused->getErrorOutput());
        DB::purge();
        self::assertSame($before[0], DB::table('migrations')->count());
        $this->tamper('- 1');

        $this->fine($this->elmstone('shop', 'upgrade'));
        DB::purge();
        self::assertGreaterThan($before[0], DB::table('migrations')->count());
        self::assertSame($before[1], DB::table('documents')->count());
        self::assertSame($before[2], DB::table('series_heads')->orderBy('kind')->pluck('digest', 'kind')->all());
        self::assertNotNull(Shop::query()->value('opened_at'));
        $this->get('/sign-in')->assertOk()->assertSee(Shop::query()->value('name'));
        $this->post('/sign-in', ['till' => '1', 'number' => '901', 'pin' => '4901'])->assertRedirect('/');
        $this->get('/settings/shop')->assertOk();
    }

    public function test_what_this_version_is_stands_in_the_change_log(): void
    {
        self::assertMatchesRegularExpression('/^\d+\.\d+\.\d+$/D', Version::current());
        $changes = (string) file_get_contents(base_path('CHANGELOG.md'));
        self::assertStringContainsString('## '.Version::current(), $changes);
    }

    public function test_nothing_is_upgraded_where_nothing_is(): void
    {
        self::assertStringContainsString('there is no shop', $this->elmstone('none', 'upgrade')->getErrorOutput());
    }

    private function tamper(string $change): void
    {
        $this->fine($this->bash('shop', 'database_root "$HOUSE/db" elmstone -e "'
            .'DROP TRIGGER IF EXISTS journal_lines_no_update; '
            ."UPDATE journal_lines SET debit = debit {$change} WHERE debit > 0 ORDER BY document_id LIMIT 1\""));
    }
}
