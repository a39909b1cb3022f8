<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Elmstone\Books\Document;
use Elmstone\Books\Register;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Demo\Chance;
use Elmstone\Demo\DemoSales;
use Elmstone\Demo\DemoShop;
use Elmstone\Demo\DemoStock;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * 20,000 house accounts with 35 invoices and 15 payments each, 14 months back: each payment settles two invoices some
 * time after they are due; the last five invoices are open. One document of each kind is made by the application; the
 * rest is copied by the database, with open items, allocations and journals.
 */
final class Accounts20k
{
    private const INVOICES = 35;

    private const RECEIPTS = 15;

    private const STEP_DAYS = 12;

    /** Ids of what is copied: clear of what the application makes. */
    private const FIRST_INVOICE = 10_000_000;

    private const FIRST_RECEIPT = 20_000_000;

    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly StockLedger $stock,
        private readonly SaveCustomer $save,
        private readonly ManageAccount $manage,
    ) {
    }

    /** @return int how many documents there are */
    public function build(int $accounts): int
    {
        $chance = new Chance(7);
        (new DemoShop($chance, ShopTime::today()))->build();
        OpenTills::all();
        $sales = new DemoSales($chance, $this->house, $this->register, $this->stock, app(ShareLedger::class));
        (new DemoStock($chance, $this->house, app(BringIn::class)))->open(ShopTime::today()->subDays(3));
        $sales->sellOn(ShopTime::today()->subDay(), 30, 30);
        $first = $this->customers($accounts);
        $this->invoices($first, $accounts);
        $this->receipts($first, $accounts);
        DB::statement(
            "UPDATE house_accounts a JOIN (SELECT customer_id, SUM(IF(kind = 'charge', `open`, -`open`)) AS owed FROM "
                .'open_items GROUP BY customer_id) o USING (customer_id) SET a.balance = o.owed',
        );
        Sealed::copies();
        DB::statement(
            'ANALYZE TABLE documents, document_lines, document_tenders, journal_lines, journal_entries, open_items, '
                .'allocations, customers, house_accounts',
        );

        return DB::table('documents')->count();
    }

    /** @return int the first one's id */
    private function customers(int $accounts): int
    {
        $office = Staff::query()->where('role', 'office')->firstOrFail();
        $one = $this->save->handle(
            null,
            new CustomerDraft(
                ['name' => 'Measured Works 0', 'kind' => 'firm', 'mail' => 'measured@example.com'],
                sureItIsNew: true,
            ),
            $office,
        );
        $this->manage->save(
            $one,
            new AccountTerms(
                $this->house->money(100_000_000), TermsKind::Net, 30, null, 0, 365, false, StatementKind::OpenItem,
                StatementWay::Print,
                true,
            ),
            'measured',
            $office,
            null,
        );
        $columns = $this->columns('customers', ['id', 'number', 'name', 'name_key', 'search', 'phone', 'phone_digits']);
        DB::statement(
            "INSERT INTO customers (id, number, name, name_key, search, phone, phone_digits, {$columns}) SELECT id + "
                ."seq, number + seq, CONCAT('Measured Works ', seq), CONCAT('measured works ', seq), CONCAT(number + "
                ."seq, ' measured works ', seq), CONCAT('555 ', seq), LPAD(seq, 8, '5'), {$columns} FROM customers, "
                    .'seq_1_to_'
                .($accounts - 1)
                .' WHERE id = ?',
            [$one->id],
        );
        $columns = $this->columns('house_accounts', ['customer_id']);
        DB::statement(
            "INSERT INTO house_accounts (customer_id, {$columns}) SELECT customer_id + seq, {$columns} FROM "
                .'house_accounts, seq_1_to_'
                .($accounts - 1)
                .' WHERE customer_id = ?',
            [$one->id],
        );

        return $one->id;
    }

    private function invoices(int $first, int $accounts): void
    {
        $template = Document::query()->firstOrFail()->id;
        $count = $accounts * self::INVOICES;
        $customer = 'seq DIV '.self::INVOICES;
        $place = 'seq % '.self::INVOICES;
        $amount = "(5000 + ({$customer} * 7 + ({$place}) * 131) % 20000)";
        $date = 'CURDATE() - INTERVAL ('
            .(self::INVOICES - 1)
            .' - '
            .$place
            .') * '
            .self::STEP_DAYS
            ." + ({$customer}) % 12 DAY";
        $this->documents($template, self::FIRST_INVOICE, $count, 'INV', "{$first} + {$customer}", $date, $amount, [
            'purpose' => "'sale'",
            'kind' => "'invoice'",
            'due_date' => "{$date} + INTERVAL 30 DAY",
            'on_account' => $amount,
            'net' => $amount,
            'subtotal' => $amount,
            'tax_total' => '0',
            'slip_discount' => '0',
        ]);
        $this->rows(
            $count,
            'document_tenders',
            '(document_id, position, kind, amount, given)',
            'seq + '.self::FIRST_INVOICE.", 1, 'house_account', {$amount}, {$amount}",
        );
        $this->journal(self::FIRST_INVOICE, $count, 'receivables', 'sales:1', $amount, $date);
        $paidOn = "LEAST(CURDATE() - INTERVAL 1 DAY, {$this->paidOn($customer, "({$place}) DIV 2")})";
        $isPaid = "({$place}) < ".self::RECEIPTS * 2;
        $this->rows(
            $count,
            'open_items',
            '(document_id, customer_id, label, kind, purpose, business_date, due_date, amount, `open`, moved_on)',
            'seq + '
                .self::FIRST_INVOICE
                .", {$first} + {$customer}, CONCAT('INV-', LPAD(seq + "
                .self::FIRST_INVOICE
                .", 8, '0')), 'charge', 'sale', {$date}, {$date} + INTERVAL 30 "
                    ."DAY, {$amount}, IF({$isPaid}, 0, {$amount}), IF({$isPaid}, {$paidOn}, {$date})",
        );
    }

    private function receipts(int $first, int $accounts): void
    {
        $template = Document::query()->firstOrFail()->id;
        $count = $accounts * self::RECEIPTS;
        $customer = 'seq DIV '.self::RECEIPTS;
        $place = '(seq % '.self::RECEIPTS.')';
        $of = static fn (string $invoice): string => "(5000 + ({$customer} * 7 + ({$invoice}) * 131) % 20000)";
        $amount = "({$of("2 * {$place}")} + {$of("2 * {$place} + 1")})";
        $date = "LEAST(CURDATE() - INTERVAL 1 DAY, {$this->paidOn($customer, $place)})";
        $this->documents($template, self::FIRST_RECEIPT, $count, 'RCT', "{$first} + {$customer}", $date, $amount, [
            'purpose' => "'payment'",
            'kind' => "'receipt'",
            'on_account' => "-{$amount}",
            'net' => '0',
            'subtotal' => '0',
            'tax_total' => '0',
            'slip_discount' => '0',
            'due_date' => 'NULL',
        ]);
        $this->rows(
            $count,
            'document_tenders',
            '(document_id, position, kind, amount, given, reference)',
            'seq + '.self::FIRST_RECEIPT.", 1, 'cheque', {$amount}, {$amount}, seq",
        );
        $this->journal(self::FIRST_RECEIPT, $count, 'cheques', 'receivables', $amount, $date);
        $this->rows(
            $count,
            'open_items',
            '(document_id, customer_id, label, kind, purpose, business_date, due_date, amount, `open`, moved_on)',
            'seq + '
                .self::FIRST_RECEIPT
                .", {$first} + {$customer}, CONCAT('RCT-', LPAD(seq + "
                .self::FIRST_RECEIPT
                .", 8, '0')), 'credit', 'payment', {$date}, {$date}, {$amount}, 0, {$date}",
        );

        foreach ([0, 1] as $second) {
            $this->rows(
                $count,
                'allocations',
                '(customer_id, credit_id, charge_id, amount, business_date, staff_id, act)',
                "{$first} + {$customer}, seq + "
                    .self::FIRST_RECEIPT
                    .', '
                    .self::FIRST_INVOICE
                    ." + ({$customer}) * "
                    .self::INVOICES
                    ." + 2 * {$place} + {$second}, {$of("2 * {$place} + {$second}")}, {$date}, 8, UUID()",
            );
        }
    }

    /** A while after the second of the two invoices is due. */
    private function paidOn(string $customer, string $receipt): string
    {
        return 'CURDATE() - INTERVAL ('
            .(self::INVOICES - 1)
            ." - (2 * ({$receipt}) + 1)) * "
            .self::STEP_DAYS
            ." + ({$customer}) % 12 - 30 - ({$customer}) % 20 DAY";
    }

    /** @param  array<string, string>  $columns expressions that differ from the template's */
    private function documents(
        int $template,
        int $firstId,
        int $count,
        string $prefix,
        string $customer,
        string $date,
        string $amount,
        array $columns,
    ): void {
        $columns += [
            'id' => "{$firstId} + seq",
            'number' => "{$firstId} + seq",
            'label' => "CONCAT('{$prefix}-', LPAD({$firstId} + seq, 8, '0'))",
            'idempotency_key' => 'UUID()',
            'customer_id' => $customer,
            'business_date' => $date,
            'posted_at' => "{$date} + INTERVAL 10 HOUR",
            'total' => $amount,
            'customer_name' => "CONCAT('Measured Works ', {$customer})",
            'cash_rounding' => '0',
            'change_given' => '0',
            'balance_before' => '0',
        ];
        $rest = implode(', ', array_diff($this->list('documents'), array_keys($columns)));
        $names = implode(', ', array_keys($columns));
        $expressions = implode(', ', $columns);
        DB::statement(
            "INSERT INTO documents ({$names}, {$rest}) SELECT {$expressions}, {$rest} FROM documents, seq_0_to_"
                .($count - 1)
                .' WHERE id = ?',
            [$template],
        );
    }

    private function journal(
        int $firstId,
        int $count,
        string $debit,
        string $credit,
        string $amount,
        string $date,
    ): void {
        $this->rows(
            $count,
            'journal_lines',
            '(document_id, position, account, debit, credit)',
            "seq + {$firstId}, 1, '{$debit}', {$amount}, 0",
        );
        $this->rows(
            $count,
            'journal_lines',
            '(document_id, position, account, debit, credit)',
            "seq + {$firstId}, 2, '{$credit}', 0, {$amount}",
        );
        $this->rows(
            $count,
            'journal_entries',
            '(document_id, business_date, debits, credits)',
            "seq + {$firstId}, {$date}, {$amount}, {$amount}",
        );
    }

    private function rows(int $count, string $table, string $columns, string $expressions): void
    {
        DB::statement("INSERT INTO {$table} {$columns} SELECT {$expressions} FROM seq_0_to_".($count - 1));
    }

    /** @param  list<string>  $without */
    private function columns(string $table, array $without): string
    {
        return implode(', ', array_diff($this->list($table), $without));
    }

    /** @return list<string> */
    private function list(string $table): array
    {
        return array_map(
            static fn (string $column): string => $column,
            DB::getSchemaBuilder()->getColumnListing($table),
        );
    }
}
