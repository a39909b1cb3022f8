<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * 100,000 open orders of 2,000 customers: most wanted on a day around today, a seventh to be brought, half with their
 * goods set aside, half waiting. One is made at the counter; the rest is copied by the database, with lines and
 * commitments.
 */
final class Orders100k
{
    private const FIRST = 2_000_000;

    /** So many items are ordered. */
    private const ITEMS = 1000;

    /** Copies the only order there is. */
    public function multiply(int $to): void
    {
        $model = DB::table('agreements')->where('kind', 'order')->value('id')
            ?? throw new RuntimeException('There is nothing to copy.');
        $customer = (int) DB::table('customers')->min('id');
        $first = self::FIRST;
        $agreements = $this->columns('agreements', [
            'id', 'key', 'label', 'customer_id', 'account_id', 'wanted_on', 'made_on',
        ]);
        DB::statement(
            "INSERT INTO held_accounts (id, kind, customer_id, balance) SELECT {$first} + s.seq, 'order', "
                ."{$customer} + s.seq % 2000, 0 FROM seq_1_to_{$to} s",
        );
        DB::statement(
            "INSERT INTO agreements (id, `key`, label, customer_id, account_id, wanted_on, made_on, {$agreements}) "
                ."SELECT {$first} + s.seq, UUID(), CONCAT('ORD-', {$first} + s.seq), {$customer} + s.seq % 2000, "
                ."{$first} + s.seq, IF(s.seq % 4 = 0, NULL, CURDATE() + INTERVAL s.seq % 90 DAY - INTERVAL 9 DAY), "
                ."CURDATE() - INTERVAL s.seq % 60 DAY, {$agreements} FROM agreements a JOIN seq_1_to_{$to} s "
                ."WHERE a.id = {$model}",
        );
        $lines = $this->columns('agreement_lines', ['agreement_id', 'way', 'item_id']);
        $item = $this->itemOf();
        DB::statement(
            "INSERT INTO agreement_lines (agreement_id, item_id, way, {$lines}) SELECT "
                ."{$first} + s.seq, {$item}, IF(s.seq % 7 = 0, 'delivery', way), {$lines} "
                ."FROM agreement_lines JOIN seq_1_to_{$to} s WHERE agreement_id = {$model}",
        );
        $progress = $this->columns('order_lines', ['agreement_id', 'aside', 'item_id', 'brought']);
        DB::statement(
            "INSERT INTO order_lines (agreement_id, item_id, aside, brought, {$progress}) SELECT "
                ."{$first} + s.seq, {$item}, IF(s.seq % 2 = 0, ordered, 0), s.seq % 7 = 0, {$progress} "
                ."FROM order_lines JOIN seq_1_to_{$to} s WHERE agreement_id = {$model}",
        );
        DB::statement(
            'INSERT INTO commitments (agreement_id, item_id, location_id, quantity) SELECT agreement_id, item_id, '
                ."location_id, SUM(aside) FROM order_lines WHERE agreement_id > {$first} AND aside > 0 "
                .'GROUP BY agreement_id, item_id, location_id',
        );
        DB::statement('ANALYZE TABLE agreements, agreement_lines, order_lines, commitments');
    }

    /** SQL: of a thousand items, which one a copied line is of. */
    private function itemOf(): string
    {
        $ids = DB::table('items')->where('has_serials', false)->orderBy('id')->limit(self::ITEMS)->pluck('id')->all();

        return sprintf('ELT(1 + (s.seq * 7 + position * 13) %% %d, %s)', count($ids), implode(', ', array_map(
            static fn (mixed $id): string => is_int($id) ? (string) $id : '0',
            $ids,
        )));
    }

    /**
     * The columns of a table that are copied as they are.
     *
     * @param  list<string>  $besides
     */
    private function columns(string $table, array $besides): string
    {
        $made = DB::table('information_schema.columns')
            ->whereRaw('table_schema = DATABASE()')
            ->where('table_name', $table)
            ->where('generation_expression', '!=', '')
            ->pluck('column_name')
            ->all();

        return implode(', ', array_map(
            static fn (string $column): string => "`{$column}`",
            array_diff(DB::getSchemaBuilder()->getColumnListing($table), [...$besides, ...$made]),
        ));
    }
}
