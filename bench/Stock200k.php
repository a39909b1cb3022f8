<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Books\Register;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\Words;
use Elmstone\Demo\Chance;
use Elmstone\Demo\DemoSales;
use Elmstone\Demo\DemoShop;
use Elmstone\Demo\DemoStock;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Stock\BringIn;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use LogicException;

/** The large shop that is measured. */
final class Stock200k
{
    private const COPIED = [
        'document_lines', 'document_line_taxes', 'document_taxes', 'document_tenders', 'journal_lines',
        'journal_entries',
    ];

    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly StockLedger $stock,
    ) {
    }

    public function build(int $items, int $documents): void
    {
        $chance = new Chance(7);
        $today = ShopTime::today();
        (new DemoShop($chance, $today))->build();
        OpenTills::all();
        $sales = new DemoSales($chance, $this->house, $this->register, $this->stock, app(ShareLedger::class));
        $first = $today->subDays(400);
        DB::table('locations')->update(['closed_through' => $first->subDays(2)]);
        (new DemoStock($chance, $this->house, app(BringIn::class)))->open($first->subDay());

        for ($day = $first, $posted = 0; $posted < $documents; $day = $day->addDay()) {
            $posted += $sales->sellOn($day, 50, 60);
        }

        $this->items($chance, $items);
    }

    private function items(Chance $chance, int $wanted): void
    {
        $things = [
            'valve', 'hook', 'tile', 'pipe', 'elbow', 'bracket', 'hinge', 'plate', 'gasket', 'washer', 'flange',
            'nozzle', 'lever', 'socket', 'grate', 'clamp', 'anchor', 'seal',
        ];
        $kinds = [
            'brass', 'copper', 'steel', 'slate', 'limestone', 'granite', 'rubber', 'plastic', 'chrome', 'zinc', 'oak',
            'nylon',
        ];
        $looks = ['plain', 'polished', 'coated', 'ribbed', 'narrow', 'wide', 'light', 'heavy', 'short', 'long'];
        $have = DB::table('items')->count();

        for ($number = $have; $number < $wanted; $number += 2000) {
            $rows = [];

            for ($i = $number; $i < min($wanted, $number + 2000); $i++) {
                $rows[] = [
                    'code' => sprintf('B%06d', $i),
                    'description' => ucfirst($chance->oneOf($kinds))
                        .' '
                        .$chance->oneOf($things)
                        .', '
                        .$chance->oneOf($looks)
                        .", {$chance->between(1, 999)} mm",
                    'department_id' => 1,
                    'unit' => 'each',
                    'price_per' => 1,
                    'list_price' => $chance->between(100, 9999) / 100,
                    'floor_price' => null,
                    'cost' => '0.50',
                    'tax_class' => 'standard',
                    'created_at' => now(),
                    'updated_at' => now(),
                ];
            }

            $rows === [] && throw new LogicException('There is nothing to insert.');
            DB::table('items')->insert($rows);
            Words::index(
                DB::table('items')
                    ->whereIn('code', array_column($rows, 'code'))
                    ->get(['id', 'description'])
                    ->mapWithKeys(static fn ($item): array => [(int) $item->id => $item->description])
                    ->all(),
            );
            DB::statement(
                'INSERT INTO stock (item_id, location_id, on_hand) SELECT i.id, l.id, 20 FROM items i, locations l '
                    .'WHERE i.code >= ? AND i.code <= ?',
                [$rows[0]['code'], end($rows)['code']],
            );
        }
    }

    /**
     * Copies all documents until there are so many.
     *
     * @param  bool  $sealed whether the copies get seals, of no use to a proof
     */
    public function multiply(int $wanted, bool $sealed = true): void
    {
        $sold = DB::table('documents')->where('kind', 'invoice')->where('number', '<', SqlFloor::FIRST_NUMBER);
        $have = $sold->count();
        $lastId = (int) $sold->clone()->where('id', '<', SqlFloor::FIRST_ID)->max('id');
        $lastNumber = (int) $sold->clone()->max('number');

        // What is copied fitted once already.
        DB::statement('SET SESSION foreign_key_checks = 0, unique_checks = 0');

        for ($copy = 1; $have * ($copy + 1) <= $wanted; $copy++) {
            DB::transaction(static function () use ($copy, $lastId, $lastNumber): void {
                $columns = array_diff(DB::getSchemaBuilder()->getColumnListing('documents'), [
                    'id',
                    'number',
                    'label',
                    'idempotency_key',
                ]);
                $list = implode(', ', $columns);
                DB::statement(
                    "INSERT INTO documents (id, number, label, idempotency_key, {$list}) SELECT id + ?, number + ?, "
                        ."CONCAT('INV-', LPAD(number + ?, 6, '0')), UUID(), {$list} FROM documents WHERE kind = "
                        ."'invoice' AND id <= ?",
                    [$copy * $lastId, $copy * $lastNumber, $copy * $lastNumber, $lastId],
                );

                foreach (self::COPIED as $table) {
                    $rest = implode(
                        ', ',
                        array_diff(DB::getSchemaBuilder()->getColumnListing($table), ['document_id']),
                    );
                    DB::statement(
                        "INSERT INTO {$table} (document_id, {$rest}) SELECT document_id + "
                            ."?, {$rest} FROM {$table} WHERE document_id <= ? AND document_id IN (SELECT id FROM "
                                ."documents WHERE kind = 'invoice')",
                        [$copy * $lastId, $lastId],
                    );
                }
            });
        }

        DB::statement('SET SESSION foreign_key_checks = 1, unique_checks = 1');
        DB::table('series')
            ->where('kind', 'invoice')
            ->update(['last_number' => $sold->max('number')]);
        $sealed && Sealed::copies();
        DB::statement('ANALYZE TABLE documents, document_lines, document_tenders, journal_lines');
    }
}
