<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** Settings are read once and kept until something of them is changed, by whatever way. */
final class SettingsTest extends FeatureCase
{
    public function test_a_second_page_reads_none_of_them(): void
    {
        $this->get('/counter/'.$this->slip)->assertOk();
        $read = [];
        DB::listen(static function (QueryExecuted $query) use (&$read): void {
            preg_match('/from `(shop|locations|tills|tax_\w+|settings_state)`/', $query->sql, $found);
            $found === [] || ($read[] = $found[1]);
        });
        $this->get('/counter/'.$this->slip)->assertOk();

        $this->assertSame(['settings_state'], $read);
    }

    public function test_what_is_changed_past_the_application_shows_on_the_next_page(): void
    {
        $this->add('LH-1140');
        $before = $this->slip()->total->minor;
        DB::table('tax_components')
            ->where('code', 'state_HF')
            ->update(['rate' => '20']);
        $this->add('LH-1140');

        $this->assertGreaterThan(2 * $before, $this->slip()->total->minor);
    }

    /** @return iterable<string, array{string, string}> a table and a column of it */
    public static function tables(): iterable
    {
        yield 'the shop' => ['shop', 'receipt_foot'];
        yield 'locations' => ['locations', 'phone'];
        yield 'tills' => ['tills', 'name'];
        yield 'tax profiles' => ['tax_profiles', 'name'];
        yield 'tax components' => ['tax_components', 'name'];
        yield 'tax classes' => ['tax_classes', 'name'];
    }

    #[DataProvider('tables')]
    public function test_every_change_gives_another_mark(string $table, string $column): void
    {
        $mark = static fn (): mixed => DB::table('settings_state')->value('mark');
        $first = $mark();
        DB::table($table)->update([$column => 'other']);
        $second = $mark();
        $row = (array) DB::table($table)->first();
        DB::statement('SET foreign_key_checks = 0');
        DB::table($table)->delete();
        $third = $mark();
        DB::table($table)->insert($row);
        DB::statement('SET foreign_key_checks = 1');

        $this->assertCount(4, array_unique([$first, $second, $third, $mark()]));
    }

    public function test_a_customers_number_changes_no_setting(): void
    {
        $mark = DB::table('settings_state')->value('mark');
        $number = Shop::nextCustomerNumber();

        $this->assertSame($number + 1, Shop::nextCustomerNumber());
        $this->assertSame($mark, DB::table('settings_state')->value('mark'));
    }

    public function test_a_page_does_not_fail_where_nothing_can_be_kept(): void
    {
        $folder = sys_get_temp_dir().'/elmstone-no-folder-'.uniqid();
        file_put_contents($folder, 'a file where a folder would be');
        config(['cache.stores.file.path' => "{$folder}/below"]);
        app('cache')->forgetDriver('file');
        DB::table('shop')->update(['receipt_foot' => 'other']);
        $this->get('/counter/'.$this->slip)->assertOk();
        unlink($folder);
    }

    public function test_a_change_that_is_taken_back_is_not_kept(): void
    {
        DB::beginTransaction();
        DB::table('shop')->update(['name' => 'Never']);
        app(Settings::class)->forget();
        $within = app(Settings::class)->shop()->name;
        DB::rollBack();
        app(Settings::class)->forget();
        DB::table('shop')->update(['receipt_foot' => 'other']);
        $after = app(Settings::class)->shop()->name;

        $this->assertSame('Never', $within);
        $this->assertNotSame('Never', $after);
    }
}
