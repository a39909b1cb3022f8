<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Customers\Customer;
use Elmstone\Interchange\Bank\BankEntry;
use Elmstone\Interchange\Bank\BankFile;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

/** Customers as CSV, payments from the bank's file. */
final class InterchangeTest extends FeatureCase
{
    use BankEntries;
    use Charges;

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function dryRun(string $csv): TestResponse
    {
        return $this->as('301')->post('/tables/customers', [
            'file' => UploadedFile::fake()->createWithContent('customers.csv', $csv),
        ]);
    }

    public function test_a_dry_run_lists_each_bad_row_and_brings_nothing_in(): void
    {
        $known = $this->customer('Known Firm', ['mail' => 'known@example.com']);
        $this->dryRun(
            "name;mail;number;kind;type;discount;limit\nGood "
                ."One;good@example.com;;firm;;5;\n;no@example.com;;;;;\nBad Mail;nomail;;;;;\nWho;;9999;;;;\nThe "
                ."Known Firm;;;;;;\nGood One "
                ."Ltd;;;;;;\nKind;;;robot;;;\nType;;;;Nobles;;\nDiscount;;;;;120;\nLimit;;;;;;-5\nKnown "
                ."Firm;known@example.com;{$known->number};;;;\n",
        )
            ->assertOk()
            ->assertSee('11 rows:')
            ->assertSee('1 new, 0 changed, 1 as they are, 9 not right')
            ->assertSeeInOrder([
                'The name is missing',
                'not a mail address',
                'There is no customer 9999',
                "That looks like customer {$known->number}",
                'That looks like line 2',
                'neither person nor firm',
                'There is no type “Nobles”',
                'more than 100 %',
                'No minus signs',
            ]);
        $this->assertSame(1, Customer::query()->count());
    }

    public function test_a_good_table_comes_in_and_goes_out_again_the_same(): void
    {
        $csv = "number,kind,name,phone,mail,tags,limit,terms,terms_days\r\n,firm,\"Ash, Roofing\",555 "
            ."1,ash@example.com,\"a, b\",500.00,net,14\r\n,person,Birch,555 2,,,,,\r\n";
        $html = (string) $this->dryRun($csv)->assertSee('2 new, 0 changed, 0 not right')->getContent();
        preg_match('/name="csv" value="([0-9a-f]{64})"/', $html, $found);
        $this->post('/tables/customers/bring-in', ['csv' => str_repeat('0', 64)])->assertSessionHasErrors('refused');
        $this->post('/tables/customers/bring-in', ['csv' => $found[1] ?? ''])->assertSessionHas(
            'done',
            'Brought in: 2 new, 0 changed, 0 as they were.',
        );
        $out = $this->get('/tables/customers.csv')->streamedContent();
        $this->assertStringContainsString(
            '1001,firm,"Ash, Roofing","555 1",ash@example.com,,,,US,,,,"a, b",500.00,net,14',
            $out,
        );
        $this->dryRun($out)->assertSee('0 new, 0 changed, 2 as they are, 0 not right');
    }

    public function test_a_customer_stands_in_a_table_once_however_the_number_is_written(): void
    {
        $known = $this->customer('Known Firm');
        $this->dryRun("number,name,town\n{$known->number},Known Firm,Harrow\n0{$known->number},Known Firm,Marsh\n")
            ->assertSee("Customer 0{$known->number} stands on line 2 already");
    }

    public function test_tables_that_are_none_are_refused(): void
    {
        $this->as('301')
            ->post('/tables/customers', [])
            ->assertSessionHasErrors(['refused' => 'Choose a file first.']);
        $this->dryRun('')->assertSessionHasErrors('refused');
        $this->dryRun("phone\n1\n")->assertSessionHasErrors('refused');
        $this->dryRun("name,shoe size\nA,9\n")->assertSessionHasErrors('refused');
        $this->dryRun("name\n")->assertSee('There is no row under the head.');
        $many = "name\n".implode("\n", array_map(static fn (int $i): string => "Firm {$i}", range(1, 50_001)));
        $this->dryRun($many)->assertSessionHasErrors([
            'refused' => 'That is more than 50,000 rows. Split the file; nothing was brought in.',
        ]);
    }

    /** @param  list<array{string, string, string, string}>  $entries amount, payer, reference, the bank's reference */
    private static function camt(
        array $entries,
        string $namespace = 'urn:iso:std:iso:20022:tech:xsd:camt.053.001.08',
        ?string $closing = null,
        string $id = 'STMT-1',
    ): string {
        $sum = array_sum(array_map(static fn (array $entry): int => (int) str_replace('.', '', $entry[0]), $entries));
        $money = static fn (int $minor): string => sprintf('%d.%02d', intdiv($minor, 100), $minor % 100);
        $day = now()->toDateString();
        $body = '';

        foreach ($entries as [$amount, $payer, $reference, $ref]) {
            $body
                .= "<Ntry><Amt Ccy=\"USD\">{$amount}</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts>"
                ."<BookgDt><Dt>{$day}</Dt></BookgDt><AcctSvcrRef>{$ref}</AcctSvcrRef><NtryDtls><TxDtls><RltdPties>"
                ."<Dbtr><Pty><Nm>{$payer}</Nm></Pty></Dbtr></RltdPties><RmtInf><Ustrd>{$reference}</Ustrd></"
                .'RmtInf></TxDtls></NtryDtls></Ntry>';
        }

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?><Document xmlns=\"{$namespace}\"><BkToCstmrStmt><GrpHdr>"
            ."<MsgId>M1</MsgId><CreDtTm>{$day}T06:00:00</CreDtTm></GrpHdr><Stmt><Id>{$id}</Id><Acct><Id><Othr>"
            .'<Id>0044107719</Id></Othr></Id></Acct>'
            .'<Bal><Tp><CdOrPrtry><Cd>OPBD</Cd></CdOrPrtry></Tp><Amt '
            ."Ccy=\"USD\">1000.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>{$day}</Dt></Dt></Bal><Bal><Tp>"
            .'<CdOrPrtry><Cd>CLBD</Cd></CdOrPrtry></Tp><Amt Ccy="USD">'
            .($closing ?? $money(100000 + $sum))
            ."</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>{$day}</Dt></Dt></Bal>{$body}</Stmt></BkToCstmrStmt></Document>";
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function takeIn(string $bytes, string $name = 'bank.xml'): TestResponse
    {
        return $this->as('301')->post('/bank', ['file' => UploadedFile::fake()->createWithContent($name, $bytes)]);
    }

    public function test_payments_are_matched_reviewed_and_posted_in_one_go(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $birch = $this->account('5000.00', 'Birch Walls');
        $cedar = $this->account('5000.00', 'Cedar Floors');
        $one = $this->charge($ash, 'MA-0031');
        $two = $this->charge($ash, 'LH-1140');
        $three = $this->charge($birch, 'LH-1141');
        $five = $this->charge($birch, 'LH-1141');
        $four = $this->charge($cedar, '3 x LH-1140');
        $this->takeIn(
            self::camt([
                ['107.64', 'Someone', "inv {$one} and ".substr($two, 4), 'R1'],
                ['9.68', 'BIRCH WALLS', 'thanks', 'R2'],
                ['5.00', 'x', "account {$birch->number}", 'R3'],
                ['12.71', 'unknown', 'no words', 'R4'],
                ['77.77', 'Nobody', 'no idea', 'R5'],
                ['50.00', 'y', "{$one}", 'R6'],
            ]),
        )->assertRedirect();
        $file = BankFile::query()->firstOrFail();
        $entries = $file->entries()->with('customer')->get();
        $this->assertSame(
            [$ash->id, $birch->id, $birch->id, $cedar->id, null, $ash->id],
            $entries->pluck('customer_id')->all(),
        );
        $this->assertSame(
            [
                [$one => '103.40', $two => '4.24'],
                [$three => '4.84', $five => '4.84'],
                null,
                [$four => '12.71'],
                null,
                [$one => '50.00'],
            ],
            $entries->map(self::shares(...))->all(),
        );
        $this->assertSame([true, true, false, false, false, false], $entries->pluck('sure')->all());
        $this->get("/bank/{$file->id}")
            ->assertOk()
            ->assertSee('exactly what its 2 invoices come to')
            ->assertSee('nobody known by this')
            ->assertSee('nothing but the amount speaks for it')
            ->assertSee("{$one} is met by another payment");
        $unknown = $entries[4];
        $this->post("/bank/{$file->id}/entries/{$unknown->id}", ['customer' => 'no such'])->assertSessionHasErrors(
            'refused',
        );
        $this->post("/bank/{$file->id}/entries/{$unknown->id}", ['customer' => 'cedar'])->assertSessionHasNoErrors();
        $this->post("/bank/{$file->id}/post", ['entries' => []])->assertSessionHasErrors('refused');
        // The sixth pays an invoice that the first has paid already: nothing of all is posted.
        $this->post("/bank/{$file->id}/post", ['entries' => $entries->pluck('id')->all()])->assertSessionHasErrors(
            'refused',
        );
        $this->assertSame(0, Document::query()->where('purpose', 'payment')->count());
        $this->post("/bank/{$file->id}/entries/{$entries[5]->id}/spread", ['how' => 'oldest']);
        $this->post("/bank/{$file->id}/post", ['entries' => $entries->pluck('id')->all()])->assertSessionHas(
            'done',
            '6 payments are posted, each on the day the bank booked it.',
        );
        $this->post("/bank/{$file->id}/post", ['entries' => $entries->pluck('id')->all()])->assertSessionHasErrors(
            'refused',
        );
        $this->assertSame(6, $this->rows('document_tenders') - 5);
        $this->assertSame([0, 'done'], [$this->open($three), $file->refresh()->state]);
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_the_same_file_and_the_same_entries_never_twice(): void
    {
        $this->account('5000.00', 'Ash Roofing');
        $xml = self::camt([['10.00', 'Ash Roofing', 'a', 'R1'], ['10.00', 'Ash Roofing', 'a', 'R2']]);
        $this->takeIn($xml)->assertSessionHasNoErrors();
        $this->takeIn($xml)->assertSessionHasErrors('refused');
        $this->takeIn(
            self::camt([['10.00', 'Ash Roofing', 'a', 'R2'], ['10.00', 'Ash Roofing', 'a', 'R1']], id: 'STMT-2'),
        )->assertSessionHasErrors(['refused' => 'Every entry of this file was taken in before, in another file.']);
        $this->takeIn(
            self::camt([['10.00', 'Ash Roofing', 'a', 'R2'], ['11.00', 'Ash Roofing', 'a', 'R3']], id: 'STMT-3'),
        )->assertSessionHasNoErrors();
        $this->assertSame(3, BankEntry::query()->count());
    }

    public function test_files_that_are_not_whole_or_not_for_here_are_refused(): void
    {
        $good = [['10.00', 'Ash', 'a', 'R1']];
        $refused = function (string $bytes, string $words): void {
            session()->forget('errors');
            $this->takeIn($bytes);
            $this->assertStringContainsString($words, (string) session('errors')?->first('refused'));
        };
        $refused(self::camt($good, 'urn:iso:std:iso:20022:tech:xsd:pain.001.001.03'), 'a bank statement is camt.053');
        $refused(self::camt($good, 'urn:example'), 'a bank statement is camt.053');
        $refused(self::camt($good, closing: '1010.01'), '1010.00, but the file gives 1010.01');
        $refused(str_replace('Ccy="USD"', 'Ccy="EUR"', self::camt($good)), 'It is in EUR');
        $refused('<Document', 'not an XML file');
        $refused('<!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]>'.self::camt($good), 'not an XML file');
        $refused("date,amount\n2027-13-02,5.00\n", 'Line 2: “2027-13-02” is not a date');
        $refused("date,amount\n2027-01-02,five\n", 'Line 2: “five” is not an amount');
        $refused("date,amount\n", 'no entry in this file');
        $this->assertSame(0, BankFile::query()->count());
    }

    public function test_a_batch_is_told_apart_where_it_gives_its_amounts(): void
    {
        $day = now()->toDateString();
        $detail = static fn (
            string $amount,
            string $payer,
        ): string => "<TxDtls><Amt Ccy=\"USD\">{$amount}</Amt><RltdPties><Dbtr><Nm>{$payer}</Nm></Dbtr></RltdPties>"
            .'<RmtInf><Strd><CdtrRefInf><Ref>RF18 5390</Ref></CdtrRefInf></Strd></RmtInf></TxDtls>';
        $this->takeIn(
            '<Document '
                .'xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.02"><BkToCstmrStmt><Stmt><Id>1</Id><Acct><Id>'
                .'<IBAN>GB33BUKB20201555555555</IBAN></Id></Acct><Ntry><Amt '
                ."Ccy=\"USD\">30.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts>BOOK</Sts><BookgDt><DtTm>{$day}T10:00:00</"
                ."DtTm></BookgDt><NtryDtls>{$detail('10.00', 'Ash')}{$detail(
                    '20.00',
                    'Birch',
                )}</NtryDtls></Ntry><Ntry><Amt "
                ."Ccy=\"USD\">5.00</Amt><CdtDbtInd>DBIT</CdtDbtInd><Sts>BOOK</Sts><BookgDt><Dt>{$day}</Dt></BookgDt>"
                .'</Ntry></Stmt></BkToCstmrStmt></Document>',
        )->assertSessionHasNoErrors();
        $this->assertSame(
            [[1000, 'Ash', 'RF18 5390'], [2000, 'Birch', 'RF18 5390']],
            BankEntry::query()
                ->where('kind', 'in')
                ->orderBy('position')
                ->get()
                ->map(static fn (BankEntry $entry): array => [$entry->amount->minor, $entry->payer, $entry->reference])
                ->all(),
        );
    }

    public function test_twenty_thousand_rows_come_in(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $label = $this->charge($ash, 'MA-0031');
        $csv = "date,amount,payer,reference\n"
            .implode(
                "\n",
                array_map(
                    static fn (int $i): string => now()->toDateString().",{$i}.17,Payer {$i},note {$i}",
                    range(1, 19_999),
                ),
            )
            ."\n"
            .now()->toDateString()
            .",103.40,Whoever,{$label}\n";
        $this->takeIn($csv, 'big.csv')->assertSessionHasNoErrors();
        $this->assertSame(
            [20_000, $ash->id],
            [BankEntry::query()->count(), BankEntry::query()->where('reference', $label)->value('customer_id')],
        );
        $this->get('/bank/'.BankFile::query()->value('id'))->assertOk();
    }

    public function test_an_invoice_goes_out_as_ubl_and_a_receipt_does_not(): void
    {
        $customer = $this->account();
        $label = $this->charge($customer, '2 x LH-1140', 'WA-0001');
        $xml = $this->get("/documents/{$label}/invoice.xml")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/xml; charset=UTF-8')
            ->getContent();
        $this->assertStringContainsString(
            '<cbc:PayableAmount currencyID="USD">9.47</cbc:PayableAmount>',
            (string) $xml,
        );
        $this->pay($customer, '1.00');
        $this->get('/documents/RCT-000001/invoice.xml')->assertSessionHasErrors('refused');
    }
}
