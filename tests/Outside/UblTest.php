<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Books\Accounts;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Interchange\Ubl\UblInvoice;
use Elmstone\Returns\ReturnPolicy;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Tests\Feature\FeatureCase;
use Elmstone\Tests\Feature\Returning;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Invoices as UBL against the rules of EN 16931. */
final class UblTest extends FeatureCase
{
    use Returning;

    protected function shop(): array
    {
        return [
            'country' => 'US',
            'postcode' => '40112',
            'tax_number' => '12-3456789',
            'cash_step' => str_contains($this->name(), 'rounded') ? Money::of('0.05', Currency::of('USD')) : null,
            'tax_included' => str_contains($this->name(), 'tax_in_it'),
        ];
    }

    private function posted(?Customer $customer, string ...$entries): string
    {
        $this->slip = (string) Str::uuid();
        $customer === null || $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add(...$entries);

        return $this->slip;
    }

    private function xml(): string
    {
        return app(UblInvoice::class)->of($this->document());
    }

    /** By the rules of the standard, and by the schema of another library. */
    private static function assertRight(string $xml): void
    {
        self::assertSame([], En16931::broken($xml));
        self::assertSame([], UblSchema::complaints($xml));
    }

    public function test_what_the_checkers_find(): void
    {
        $this->posted($this->account('500.00'), '3 x LH-1140');
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $xml = $this->xml();
        self::assertRight($xml);

        foreach (
            [
                ['<cbc:ID>INV-000001</cbc:ID>', '', 'BR-02'],
                [
                    '<cbc:LineExtensionAmount currencyID="USD">11.55',
                    '<cbc:LineExtensionAmount currencyID="USD">11.56',
                    'BR-CO-13',
                ],
                ['<cbc:Percent>10</cbc:Percent>', '<cbc:Percent>0</cbc:Percent>', 'BR-S-05'],
                ['<cbc:IdentificationCode>US</cbc:IdentificationCode>', '', 'BR-09'],
            ] as [$good, $bad, $rule]
        ) {
            self::assertStringContainsString($good, $xml);
            self::assertContains($rule, En16931::broken(str_replace($good, $bad, $xml)));
        }

        foreach (
            [
                ['unitCode="C62"', 'unitCode="pieces"'],
                ['<cbc:InvoiceTypeCode>380', '<cbc:InvoiceTypeCode>1'],
                ['<cac:PaymentMeans>', '<cac:PaymentMeans><cbc:Colour>red</cbc:Colour>'],
                ['<cbc:IssueDate>', '<cbc:IssueDate>the '],
            ] as [$good, $bad]
        ) {
            self::assertStringContainsString($good, $xml);
            self::assertNotSame([], UblSchema::complaints(str_replace($good, $bad, $xml)), $bad);
        }
    }

    /** @return iterable<string, array{list<string>, array<string, string>}> */
    public static function sales(): iterable
    {
        yield 'one line' => [['LH-1140'], []];
        yield 'a price per hundred, metres, a zero-rated item' => [['250 x FX-5060', '2.4 x PI-2800', 'WA-0001'], []];
        yield 'a whole-slip discount over two rates' => [
            ['7 x LH-1140', '3 x WA-0001', '2 x LH-1141'],
            ['discount' => '3'],
        ];
        yield 'an amount off' => [['7 x LH-1140', '3 x WA-0001'], ['discount' => '1.11 off']];
    }

    /**
     * @param  list<string>  $entries
     * @param  array<string, string>  $act
     */
    #[DataProvider('sales')]
    public function test_sales_keep_every_rule(array $entries, array $act): void
    {
        $this->checkSale($entries, $act);
    }

    /**
     * @param  list<string>  $entries
     * @param  array<string, string>  $act
     */
    #[DataProvider('sales')]
    public function test_sales_with_tax_in_it_keep_every_rule(array $entries, array $act): void
    {
        $this->checkSale($entries, $act);
    }

    /**
     * @param  list<string>  $entries
     * @param  array<string, string>  $act
     */
    private function checkSale(array $entries, array $act): void
    {
        TaxProfileRecord::query()
            ->firstOrFail()
            ->components()
            ->create([
                'position' => 2,
                'code' => 'county',
                'name' => 'County',
                'rate' => '1.25',
                'classes' => ['standard'],
                'on_top_of' => ['state_HF'],
            ]);
        \Elmstone\Books\Accounts::open();
        $this->posted(null, ...$entries);
        $act === []
            || $this->does('discount', [
                ...$act,
                'approver' => '201',
                'approver_pin' => '4201',
                'approver_reason' => 'x',
            ])->assertOk();
        $line = $this->lineId();
        $this->does("lines/{$line}", ['discount' => '4'])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        self::assertRight($this->xml());
    }

    public function test_cash_rounded_to_a_step_is_the_rounding_amount(): void
    {
        $this->posted(null, 'LH-1140');
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();
        $xml = $this->xml();
        self::assertRight($xml);
        self::assertStringContainsString(
            '<cbc:PayableRoundingAmount currencyID="USD">0.01</cbc:PayableRoundingAmount>',
            $xml,
        );
        self::assertStringContainsString('<cbc:PayableAmount currencyID="USD">0.00</cbc:PayableAmount>', $xml);
    }

    public function test_exempt_customers_have_a_reason(): void
    {
        $customer = $this->customer('Chapel', [
            'exempt' => ['*'],
            'certificate' => 'C-1',
            'certificate_expires' => now()->addYear(),
        ]);
        $this->posted($customer, 'LH-1140', 'WA-0001');
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();
        $xml = $this->xml();
        self::assertRight($xml);
        self::assertStringContainsString('Exempt by certificate C-1', $xml);
    }

    /**
     * A credit note has the rules of an invoice (EN 16931-1, clause 6.2: both are instances of the one model); only the
     * names of its root, its lines and its type differ. So it is read as an invoice by the same checkers.
     */
    private static function assertCreditRight(string $xml): void
    {
        self::assertStringContainsString('<cbc:CreditNoteTypeCode>381</cbc:CreditNoteTypeCode>', $xml);
        self::assertStringContainsString('urn:oasis:names:specification:ubl:schema:xsd:CreditNote-2', $xml);
        self::assertRight(
            strtr($xml, [
                'CreditNoteTypeCode>381' => 'InvoiceTypeCode>380',
                'CreditNoteTypeCode' => 'InvoiceTypeCode',
                'CreditNoteLine' => 'InvoiceLine',
                'CreditedQuantity' => 'InvoicedQuantity',
                'CreditNote-2' => 'Invoice-2',
                '<CreditNote ' => '<Invoice ',
                '</CreditNote>' => '</Invoice>',
            ]),
        );
    }

    private function creditXml(): string
    {
        return app(UblInvoice::class)->of($this->creditNote());
    }

    public function test_credit_notes_name_what_they_credit_and_keep_every_rule(): void
    {
        $this->posted($this->account('500.00'), '7 x LH-1140', '3 x WA-0001');
        $this->does('discount', [
            'discount' => '1.11 off',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'x',
        ])->assertOk();
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        self::assertRight($this->xml());
        $this->back($sale, [1 => '3', 2 => '2'])->assertOk();
        $this->does('post')->assertOk();
        $xml = $this->creditXml();
        self::assertCreditRight($xml);
        self::assertStringContainsString("<cac:InvoiceDocumentReference>\n      <cbc:ID>{$sale->label}</cbc:ID>", $xml);
        self::assertStringContainsString('<cbc:CreditedQuantity unitCode="C62">3</cbc:CreditedQuantity>', $xml);
    }

    public function test_where_components_rounded_for_themselves_are_a_cent_beside_the_whole_rate_it_is_said(): void
    {
        $tax = (array) DB::table('tax_components')->first();
        DB::table('tax_components')
            ->where('id', $tax['id'])
            ->update(['rate' => '6.25']);
        DB::table('tax_components')->insert([
            ...$tax,
            'id' => null,
            'code' => 'county',
            'name' => 'County tax',
            'rate' => '1.5',
            'position' => 9,
        ]);
        Accounts::open();
        $this->posted($this->account('500.00'), '3 x LH-1140');
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $xml = $this->xml();
        self::assertRight($xml);
        // 6.25 % of 11.55 is 0.72, 1.5 % is 0.17; 7.75 % would be 0.90.
        self::assertStringContainsString(
            '6.25 % of 11.55 = 0.72, County tax 1.5 % of 11.55 = 0.17. Each is rounded for itself.',
            $xml,
        );
    }

    public function test_where_the_rate_comes_out_to_the_cent_nothing_is_said(): void
    {
        $this->posted($this->account('500.00'), '3 x LH-1140');
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        self::assertStringNotContainsString('rounded for itself', $this->xml());
    }

    public function test_what_is_owed_names_the_shops_account_and_the_buyers_tax_number(): void
    {
        Shop::query()->update(['bank_account' => '00 4410 7719']);
        app(House::class)->shop()->refresh();
        $customer = $this->account('500.00');
        $customer->update(['tax_number' => '98-7654321']);
        $this->posted($customer, '3 x LH-1140');
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $xml = $this->xml();
        self::assertRight($xml);
        self::assertStringContainsString('<cbc:PaymentMeansCode>30</cbc:PaymentMeansCode>', $xml);
        self::assertMatchesRegularExpression('#<cac:PayeeFinancialAccount>\s*<cbc:ID>00 4410 7719</cbc:ID>#', $xml);
        self::assertStringContainsString('<cbc:CompanyID>98-7654321</cbc:CompanyID>', $xml);
        $this->back($this->document(), [1 => '1'])->assertOk();
        $this->does('post')->assertOk();
        $credit = $this->creditXml();
        self::assertCreditRight($credit);
        self::assertStringContainsString('<cbc:PaymentMeansCode>97</cbc:PaymentMeansCode>', $credit);
    }

    public function test_a_restocking_fee_lowers_the_credit(): void
    {
        $policy = ReturnPolicy::query()->create([
            'name' => 'Usual',
            'returnable' => true,
            'days' => null,
            'fee_percent' => '15',
            'words' => '',
        ]);
        DB::table('shop')->update(['return_policy_id' => $policy->id, 'fee_tax_class' => 'standard']);
        $this->posted(null, '2 x PI-2800');
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $this->back($this->document(), [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $xml = $this->creditXml();
        self::assertCreditRight($xml);
        self::assertStringContainsString('Restocking fee', $xml);
    }
}
