<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Books\Register;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Demo\Chance;
use Elmstone\Demo\DemoSales;
use Elmstone\Demo\DemoShop;
use Elmstone\Demo\DemoStock;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;

/**
 * 50,000 layaways of 2,000 customers over two years: a third still running, one in twelve of these behind, some ready
 * to collect, some about to expire, the rest ended. One is made at the counter; the rest is copied by the database,
 * with its lines, instalments and commitments.
 */
final class Layaways50k
{
    private const FIRST = 1_000_000;

    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly StockLedger $stock,
        private readonly SaveCustomer $save,
    ) {
    }

    /** @return list<int> ids of the customers */
    public function build(): array
    {
        $chance = new Chance(7);
        (new DemoShop($chance, ShopTime::today()))->build();
        OpenTills::all();
        $sales = new DemoSales($chance, $this->house, $this->register, $this->stock, app(ShareLedger::class));
        (new DemoStock($chance, $this->house, app(BringIn::class)))->open(ShopTime::today()->subDays(3));
        $by = Staff::query()->firstOrFail();
        $ids = [];

        for ($i = 0; $i < 2000; $i++) {
            $ids[] = $this->save->handle(
                null,
                new CustomerDraft(
                    [
                        'name' => "Holder {$i} ".Str::random(5),
                        'kind' => 'person',
                        'phone' => sprintf('555 %05d', $i),
                        'mail' => "holder{$i}@example.com",
                    ],
                    sureItIsNew: true,
                ),
                $by,
            )->id;
        }

        DB::table('stock')->update(['on_hand' => 1_000_000]);

        return $ids;
    }

    /** Copies the only layaway there is. */
    public function multiply(int $to): void
    {
        $model = DB::table('agreements')->value('id') ?? throw new RuntimeException('There is nothing to copy.');
        $customer = (int) DB::table('customers')->min('id');
        $first = self::FIRST;
        $columns = 'kind, location_id, staff_id, grace_days, rhythm, terms, tax, total, paid_before, revision, '
            .'signature, signed_by, signed_at';
        DB::statement(
            "INSERT INTO held_accounts (id, kind, customer_id, balance) SELECT {$first} + s.seq, 'layaway', "
                ."{$customer} + s.seq % 2000, IF(s.seq % 31 = 1, l.total, l.paid_before) FROM agreements l JOIN "
                ."seq_1_to_{$to} s WHERE l.id = {$model}",
        );
        DB::statement(
            <<<SQL
            INSERT INTO agreements (id, label, `key`, customer_id, state, made_on, expires_on, lapses_on, account_id,
                next_due, next_open, behind_from, paid_on, ended_on, {$columns})
            SELECT {$first} + s.seq, CONCAT('LAY-', {$first} + s.seq), UUID(), {$customer} + s.seq % 2000,
                ELT(1 + (s.seq % 3 = 0) + 2 * (s.seq % 31 = 1) + 0, IF(s.seq % 5 = 0, 'cancelled', 'completed'),
                    'running', 'ready', 'running'),
                CURDATE() - INTERVAL s.seq % 700 DAY, CURDATE() + INTERVAL s.seq % 90 DAY - INTERVAL 6 DAY,
                    CURDATE() + INTERVAL s.seq % 90 + 1 DAY,
                {$first} + s.seq, IF(s.seq % 3 = 0,
                    CURDATE() + INTERVAL s.seq % 48 DAY - INTERVAL 12 DAY, NULL), 1000,
                IF(s.seq % 3 = 0, CURDATE() + INTERVAL s.seq % 48 DAY - INTERVAL 4 DAY, NULL), IF(s.seq % 31 = 1,
                    CURDATE() - INTERVAL s.seq % 40 DAY, NULL), NULL, {$columns}
            FROM agreements l JOIN seq_1_to_{$to} s WHERE l.id = {$model}
            SQL
            ,
        );
        $lines = 'revision, position, item_id, code, description, department_id, quantity, unit, unit_price, '
            .'price_per, '
            .'price_rule, list_price, may_discount, tax_class, cost';
        DB::statement(
            "INSERT INTO agreement_lines (agreement_id, {$lines}) SELECT {$first} + s.seq, {$lines} FROM "
                ."agreement_lines JOIN seq_1_to_{$to} s WHERE agreement_id = {$model}",
        );
        DB::statement(
            "INSERT INTO layaway_instalments (agreement_id, revision, position, due, amount) SELECT {$first} + s.seq, "
                ."revision, position, due, amount FROM layaway_instalments JOIN seq_1_to_{$to} s WHERE agreement_id "
                    ."= {$model}",
        );
        DB::statement(
            "INSERT INTO commitments (agreement_id, item_id, location_id, quantity) SELECT {$first} + s.seq, "
                ."c.item_id, c.location_id, c.quantity FROM commitments c JOIN seq_1_to_{$to} s WHERE c.agreement_id "
                    ."= {$model} AND s.seq % 3 = 0",
        );
        DB::statement('ANALYZE TABLE agreements, agreement_lines, layaway_instalments, commitments');
    }
}
