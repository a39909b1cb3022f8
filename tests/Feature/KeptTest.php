<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Chain\Says;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** The database itself refuses to change what is written, and to add to what is sealed. */
final class KeptTest extends FeatureCase
{
    use Returning;

    protected function setUp(): void
    {
        parent::setUp();
        DB::table('coupons')->insert([
            'code' => 'SPRING',
            'description' => 'Spring',
            'percent' => '10',
            'starts_on' => '2020-01-01',
        ]);
        $customer = $this->account();
        $sale = $this->sellTo($customer, '4 x LH-1140', 'SPRING');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->refund('store_credit', '3.00')->assertOk();
        $this->refund('gift_card', '2.00')->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->charge($customer, 'MA-0031');
        $this->pay($customer, '10.00');
        DB::table('gift_card_changes')->insert([
            'gift_card_id' => (int) DB::table('gift_cards')->value('id'),
            'staff_id' => (int) DB::table('staff')->min('id'),
            'what' => 'x',
        ]);
    }

    /** @return iterable<string, array{string}> */
    public static function tables(): iterable
    {
        foreach (
            [
                'documents', 'document_lines', 'document_line_taxes', 'document_taxes', 'document_tenders',
                'document_coupons', 'document_digests', 'journal_lines', 'journal_entries', 'stock_movements',
                'approvals', 'price_changes', 'allocations', 'customer_changes', 'return_shares',
                'document_held', 'held_entries', 'gift_card_changes', 'document_approvals', 'agreement_changes',
                'plan_parts', 'reminders',
            ] as $table
        ) {
            yield $table => [$table];
        }
    }

    #[DataProvider('tables')]
    public function test_what_is_written_is_never_changed(string $table): void
    {
        $triggers = DB::table('information_schema.TRIGGERS')
            ->where('EVENT_OBJECT_SCHEMA', DB::getDatabaseName())
            ->where('EVENT_OBJECT_TABLE', $table)
            ->pluck('EVENT_MANIPULATION')
            ->all();
        $this->assertSame([], array_diff(['DELETE', 'UPDATE'], $triggers));

        if (DB::table($table)->doesntExist()) {
            return;
        }

        $column = DB::getSchemaBuilder()->getColumnListing($table)[1];
        $refused = [];

        foreach (
            [
                static fn () => DB::table($table)->update([$column => DB::raw("`{$column}`")]),
                static fn () => DB::table($table)->delete(),
            ] as $change
        ) {
            try {
                $change();
            } catch (QueryException $failure) {
                $refused[] = str_contains($failure->getMessage(), 'Posted is posted');
            }
        }

        $this->assertSame([true, true], $refused, "A row of {$table} was changed.");
    }

    /** @return iterable<string, array{string}> */
    public static function sealed(): iterable
    {
        foreach (Says::SEALED as $table) {
            yield $table => [$table];
        }
    }

    #[DataProvider('sealed')]
    public function test_nothing_is_added_to_what_is_sealed(string $table): void
    {
        $document = (int) DB::table('document_digests')->max('document_id');
        $this->expectExceptionMessageMatches('/(document|journal) is sealed|does not balance/');
        DB::statement('SET FOREIGN_KEY_CHECKS = 0');
        $columns = array_column(
            array_filter(
                DB::getSchemaBuilder()->getColumns($table),
                static fn (array $column): bool => ! $column['nullable']
                    && $column['default'] === null
                    && ! $column['auto_increment'],
            ),
            'type_name',
            'name',
        );
        DB::table($table)->insert([
            ...array_map(static fn (string $type): int|string => $type === 'date' ? '2026-01-01' : 0, $columns),
            'document_id' => $document,
        ]);
    }

    protected function tearDown(): void
    {
        DB::statement('SET FOREIGN_KEY_CHECKS = 1');
        parent::tearDown();
    }
}
