<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Demo\Chance;
use Elmstone\Demo\DemoShop;
use Elmstone\Demo\DemoStock;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * A customer with 5,000 purchases of four lines over three years, among 50,000 of other people. A few are sold at the
 * counter; the rest is copied by the database with lines and taxes, which is all that is read when goods come back.
 */
final class Purchases5k
{
    private const FIRST = 10_000_000;

    public function __construct(private readonly House $house, private readonly SaveCustomer $save)
    {
    }

    /** @return array{int, int} ids of the one with many purchases, and of another */
    public function build(): array
    {
        $chance = new Chance(11);
        (new DemoShop($chance, ShopTime::today()))->build();
        OpenTills::all();
        (new DemoStock($chance, $this->house, app(BringIn::class)))->open(ShopTime::today()->subDays(3));
        DB::table('stock')->update(['on_hand' => 1_000_000]);
        $by = Staff::query()->firstOrFail();
        $made = [];

        foreach (['Every Day', 'Now And Then'] as $i => $name) {
            $made[] = $this->save->handle(
                null,
                new CustomerDraft(['name' => $name, 'kind' => 'person', 'phone' => "555 000{$i}"], sureItIsNew: true),
                $by,
            )->id;
        }

        return [$made[0], $made[1]];
    }

    /** Copies the invoices there are, so that a tenth are of the one customer and the others of the other. */
    public function multiply(int $purchases, int $customer, int $other): void
    {
        $first = self::FIRST;
        $count = (int) DB::table('documents')->where('kind', 'invoice')->count();
        $from = (int) DB::table('documents')->where('kind', 'invoice')->min('id');
        $model = "{$from} + (s.seq % {$count})";
        $columns = implode(
            ', ',
            array_diff(DB::getSchemaBuilder()->getColumnListing('documents'), [
                'id', 'number', 'label', 'customer_id', 'business_date', 'idempotency_key',
            ]),
        );
        DB::statement(
            'INSERT INTO documents (id, number, label, customer_id, business_date, '
                ."idempotency_key, {$columns}) SELECT {$first} + s.seq, {$first} + s.seq, "
                ."CONCAT('INV-', {$first} + s.seq), IF(s.seq % 11 = 0, {$customer}, {$other}), CURDATE() - INTERVAL "
                ."(1100 - s.seq * 1100 DIV ({$purchases} * 11)) DAY, UUID(), {$columns} FROM documents d JOIN "
                .'seq_1_to_'
                .$purchases * 11
                ." s ON d.id = {$model} WHERE d.kind = 'invoice'",
        );
        $lines = implode(', ', array_diff(DB::getSchemaBuilder()->getColumnListing('document_lines'), ['document_id']));

        foreach (
            [
                'document_lines' => $lines,
                'document_line_taxes' => 'position, component, amount',
                'document_taxes' => 'position, component, name, rate, classes, on_top_of, base, amount',
                'document_tenders' => 'position, kind, amount, given, reference, card_type, last_four, authorisation',
            ] as $table => $copied
        ) {
            DB::statement(
                "INSERT INTO {$table} (document_id, {$copied}) SELECT {$first} + s.seq, {$copied} FROM {$table} t "
                    .'JOIN seq_1_to_'
                    .$purchases * 11
                    ." s ON t.document_id = {$model}",
            );
        }

        DB::statement("UPDATE series SET last_number = {$first} + ".$purchases * 11 ." WHERE kind = 'invoice'");
        Sealed::copies();
        DB::statement('ANALYZE TABLE documents, document_lines, document_line_taxes, document_taxes, document_tenders');
    }
}
