<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Interchange\Bank\BankEntry;
use Elmstone\Interchange\Bank\BankFile;
use Elmstone\Interchange\Bank\BankLayout;
use Elmstone\Receivables\Payments\PaymentOrder;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Evidence about the bank's payments is weighed; every entry is listed; each is posted on its day. */
final class BankMatchTest extends FeatureCase
{
    use BankEntries;
    use Charges;

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function takeIn(string $bytes, string $name = 'bank.csv'): TestResponse
    {
        session()->forget('errors');

        return $this->as('301')->post('/bank', ['file' => UploadedFile::fake()->createWithContent($name, $bytes)]);
    }

    private function csv(string ...$rows): BankFile
    {
        $this->takeIn("date,amount,payer,reference\n".implode("\n", $rows)."\n")->assertSessionHasNoErrors();

        return BankFile::query()->latest('id')->firstOrFail();
    }

    private static function today(): string
    {
        return now()->toDateString();
    }

    private static function camt(string $entries): string
    {
        return '<Document '
            .'xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Id>1</Id><Acct><Id>'
            ."<Othr><Id>0044107719</Id></Othr></Id></Acct>{$entries}</Stmt></BkToCstmrStmt></Document>";
    }

    private static function entry(
        string $amount,
        string $payer,
        string $text,
        string $more = '',
        string $sign = 'CRDT',
        string $status = 'BOOK',
        string $account = '',
        string $endToEnd = '',
        ?string $day = null,
        string $strd = '',
    ): string {
        $day ??= self::today();
        $from = $account === '' ? '' : "<DbtrAcct><Id><IBAN>{$account}</IBAN></Id></DbtrAcct>";
        $refs = $endToEnd === '' ? '' : "<Refs><EndToEndId>{$endToEnd}</EndToEndId></Refs>";

        return "<Ntry><Amt Ccy=\"USD\">{$amount}</Amt><CdtDbtInd>{$sign}</CdtDbtInd>{$more}<Sts><Cd>{$status}</Cd>"
            ."</Sts><BookgDt><Dt>{$day}</Dt></BookgDt><NtryDtls><TxDtls>{$refs}<RltdPties>"
            ."<Dbtr><Pty><Nm>{$payer}</Nm></Pty></Dbtr>{$from}</RltdPties><RmtInf>"
                ."<Ustrd>{$text}</Ustrd>{$strd}</RmtInf></"
            .'TxDtls></NtryDtls></Ntry>';
    }

    /** @return list<array{int|null, bool}> whose each payment is, and whether it is ticked */
    private static function matched(BankFile $file): array
    {
        return array_values(
            $file
                ->entries()
                ->get()
                ->map(static fn (BankEntry $entry): array => [$entry->customer_id, $entry->sure])
                ->all(),
        );
    }

    public function test_a_contradiction_is_never_ticked(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $birch = $this->account('5000.00', 'Birch Walls');
        $ofAsh = $this->charge($ash, 'MA-0031');
        $ofBirch = $this->charge($birch, 'MA-0031');
        $digits = ltrim(substr($ofBirch, 4), '0');
        $number = str_pad($digits, 3, '0', STR_PAD_LEFT);
        $file = $this->csv(
            // The payer is exactly one customer; the digits happen to be another's invoice, or another's account.
            self::today().",103.40,Ash Roofing,order {$number} of May",
            self::today().",103.40,Ash Roofing,ref {$birch->number}",
            self::today().",103.40,Ash Roofing,{$ofBirch}",
            // A stranger, by the amount alone.
            self::today().',77.31,A Stranger,hello',
            self::today().",103.40,Ash Roofing,{$ofAsh}",
        );
        $this->assertSame(
            [[$ash->id, false], [$ash->id, false], [$birch->id, false], [null, false], [$ash->id, false]],
            self::matched($file),
        );
        $page = $this->get("/bank/{$file->id}")->assertOk();
        $page
            ->assertSee("against: {$birch->number} Birch Walls")
            ->assertSee("against: {$ash->number} Ash Roofing: name of the payer");
        $this->assertStringNotContainsString(
            ' checked',
            preg_replace('/id="menu.*?>/', '', (string) $page->getContent()) ?? '',
        );
    }

    public function test_a_stranger_with_the_amount_of_one_invoice_is_only_proposed(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $label = $this->charge($ash, 'MA-0031');
        $file = $this->csv(self::today().',103.40,A Stranger,hello');
        $entry = $file->entries()->firstOrFail();
        $this->assertSame(
            [$ash->id, false, [$label => '103.40'], ['nothing but the amount speaks for it']],
            [$entry->customer_id, $entry->sure, self::shares($entry), $entry->speaksAgainst()],
        );
    }

    public function test_what_is_paid_already_or_entered_by_hand_is_pointed_out(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $paid = $this->charge($ash, 'MA-0031');
        $open = $this->charge($ash, 'LH-1140');
        $this->as('301')->pay($ash, '103.40', 'T-1');
        $file = $this->csv(self::today().",103.40,Ash Roofing,{$paid}", self::today().",4.24,Ash Roofing,{$open}");
        $this->assertSame([[$ash->id, false], [$ash->id, true]], self::matched($file));
        $this->get("/bank/{$file->id}")
            ->assertSee("{$paid} is paid already")
            ->assertSee('it may be entered by hand already');
        // The same payment by the bank's other format.
        $this->takeIn(
            self::camt(self::entry('4.24', 'ASH ROOFING', "{$open} thank you")),
            'bank.xml',
        )->assertSessionHasNoErrors();
        $other = BankFile::query()->latest('id')->firstOrFail();
        $page = $this->get("/bank/{$other->id}")->assertSee('the file “bank.csv” has the same payment');
        $this->assertStringNotContainsString(' checked', (string) $page->getContent());
    }

    public function test_a_bank_account_that_paid_before_speaks_for_the_same_customer(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $birch = $this->account('5000.00', 'Birch Walls');
        $label = $this->charge($ash, 'MA-0031');
        $this->takeIn(
            self::camt(self::entry('50.00', 'Somebody', $label, account: 'GB29NWBK60161331926819')),
            'one.xml',
        );
        $file = BankFile::query()->firstOrFail();
        $this->post("/bank/{$file->id}/post", [
            'entries' => $file->entries()->pluck('id')->all(),
        ])->assertSessionHasNoErrors();
        $this->takeIn(
            self::camt(
                self::entry('10.00', 'Somebody', 'next', account: 'GB29NWBK60161331926819')
                    .self::entry('11.00', 'Birch Walls', 'next', account: 'GB29NWBK60161331926819'),
            ),
            'two.xml',
        );
        $this->assertSame(
            [[$ash->id, true], [$ash->id, false]],
            self::matched(BankFile::query()->latest('id')->firstOrFail()),
        );
    }

    public function test_structured_amounts_per_invoice_are_used(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $one = $this->charge($ash, 'MA-0031');
        $two = $this->charge($ash, '4 x LH-1140');
        $part = static fn (
            string $number,
            string $amount,
        ): string => "<Strd><RfrdDocInf><Nb>{$number}</Nb></RfrdDocInf><RfrdDocAmt><RmtdAmt "
            ."Ccy=\"USD\">{$amount}</RmtdAmt>"
            .'</RfrdDocAmt></Strd>';
        $this->takeIn(
            self::camt(
                self::entry('50.00', 'Ash Roofing', 'see list', strd: $part($one, '40.00').$part($two, '10.00')),
            ),
            'bank.xml',
        )->assertSessionHasNoErrors();
        $entry = BankEntry::query()->firstOrFail();
        $this->assertSame([[$one => '40.00', $two => '10.00'], true], [self::shares($entry), $entry->sure]);
    }

    public function test_it_is_posted_on_the_day_the_bank_booked_it_and_the_discount_holds(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing', ['discount' => '2']);
        $label = $this->chargeOn('2026-11-02', $ash, 'MA-0031');
        $this->travelTo('2026-11-25 10:00');
        $file = $this->csv("2026-11-12,101.33,Ash Roofing,{$label}");
        $entry = $file->entries()->firstOrFail();
        $this->assertSame(
            [[$label => '101.33'], 207, true],
            [self::shares($entry), $entry->discount->minor, $entry->sure],
        );
        $this->post("/bank/{$file->id}/post", ['entries' => [$entry->id]])->assertSessionHas(
            'done',
            'One payment is posted, each on the day the bank booked it.',
        );
        $receipt = Document::query()->where('purpose', 'payment')->firstOrFail();
        $this->assertSame(
            ['2026-11-12', 207, 0],
            [$receipt->business_date->toDateString(), $receipt->settlement_discount->minor, $this->open($label)],
        );
    }

    public function test_where_the_day_is_closed_it_takes_the_first_open_one_and_says_so(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing', ['discount' => '2']);
        $label = $this->chargeOn('2026-11-02', $ash, 'MA-0031');
        $this->travelTo('2026-11-25 10:00');
        Location::query()->update(['closed_through' => '2026-11-15']);
        $file = $this->csv("2026-11-12,101.33,Ash Roofing,{$label}");
        $entry = $file->entries()->firstOrFail();
        // The discount is over on the day it will be posted: nobody is promised it.
        $this->assertSame(
            [[$label => '101.33'], 0, true],
            [self::shares($entry), $entry->discount->minor, $entry->sure],
        );
        $this->get("/bank/{$file->id}")->assertSee('closed; posted on 16 Nov');
        $this->post("/bank/{$file->id}/post", ['entries' => [$entry->id]])->assertSessionHas(
            'done',
            'One payment is posted; 1 on 16 Nov 2026, the first open day, because the day the bank booked it is '
                .'closed.',
        );
        $this->assertSame(
            [207, '2026-11-16'],
            [
                $this->open($label),
                Document::query()->where('purpose', 'payment')->firstOrFail()->business_date->toDateString(),
            ],
        );
    }

    public function test_a_promise_that_does_not_hold_any_more_posts_nothing(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing', ['discount' => '2']);
        $label = $this->chargeOn('2026-11-02', $ash, 'MA-0031');
        $this->travelTo('2026-11-25 10:00');
        $file = $this->csv("2026-11-12,101.33,Ash Roofing,{$label}");
        Location::query()->update(['closed_through' => '2026-11-15']);
        $entry = $file->entries()->firstOrFail();
        $this->post("/bank/{$file->id}/post", ['entries' => [$entry->id]])->assertSessionHasErrors('refused');
        $this->assertSame([10340, 0], [$this->open($label), Document::query()->where('purpose', 'payment')->count()]);
        $this->post("/bank/{$file->id}/entries/{$entry->id}/spread", [
            'how' => 'hand',
            'on' => [$label => '101.33'],
        ])->assertSessionHasNoErrors();
        $this->post("/bank/{$file->id}/post", ['entries' => [$entry->id]])->assertSessionHasNoErrors();
        $this->assertSame(207, $this->open($label));
    }

    public function test_every_entry_is_listed_and_a_return_finds_its_payment(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $birch = $this->account('5000.00', 'Birch Walls');
        $label = $this->charge($ash, 'MA-0031');
        $this->charge($birch, 'MA-0031');
        $this->takeIn(
            self::camt(
                self::entry('50.00', 'Ash Roofing', $label, endToEnd: 'E-1')
                    .self::entry('50.00', 'Birch Walls', 'thanks', endToEnd: 'E-2'),
            ),
            'one.xml',
        );
        $file = BankFile::query()->firstOrFail();
        $this->post("/bank/{$file->id}/post", [
            'entries' => $file->entries()->pluck('id')->all(),
        ])->assertSessionHasNoErrors();
        $this->takeIn(
            self::camt(
                self::entry('50.00', '', 'account closed', '<RvslInd>true</RvslInd>', 'DBIT', endToEnd: 'E-1')
                    .self::entry('3.50', '', 'monthly fee', sign: 'DBIT')
                    .self::entry('70.00', 'Ash Roofing', 'coming', status: 'PDNG'),
            ),
            'two.xml',
        )->assertSessionHasNoErrors();
        $second = BankFile::query()->latest('id')->firstOrFail();
        $this->get("/bank/{$second->id}")
            ->assertSee('Taken back by the bank')
            ->assertSee('monthly fee')
            ->assertSee('Not booked yet')
            ->assertSee('find its payment');
        $back = $second->entries()->where('kind', 'returned')->firstOrFail();
        $receipt = Document::query()->where('purpose', 'payment')->where('customer_id', $ash->id)->firstOrFail();
        $this->get("/bank/{$second->id}/entries/{$back->id}")
            ->assertOk()
            ->assertSeeInOrder([$receipt->label, 'the bank’s own name for it is the same'], false);
        $this->post("/bank/{$second->id}/entries/{$back->id}/take-back", [
            'document' => 'RCT-999999',
        ])->assertSessionHasErrors('refused');
        $order = new PaymentOrder(
            $birch->id,
            Money::of('20.00', Currency::of('USD')),
            TenderKind::BankTransfer,
            'by hand',
            now()->toImmutable(),
            (string) Str::uuid(),
        );
        $other = Document::query()->findOrFail(
            app(TakePayment::class)->handle(
                $order,
                Till::query()->with('location')->findOrFail(1),
                $this->staff('301'),
            ),
        );
        $this->post("/bank/{$second->id}/entries/{$back->id}/take-back", [
            'document' => $other->label,
        ])->assertSessionHasErrors('refused');
        $this->assertFalse(Document::query()->where('refers_to_id', $other->id)->exists());
        $this->post("/bank/{$second->id}/entries/{$back->id}/take-back", [
            'document' => $receipt->label,
            'fee' => '5.00',
        ])->assertSessionHasNoErrors();
        $this->post("/bank/{$second->id}/entries/{$back->id}/take-back", [
            'document' => $receipt->label,
            'fee' => '5.00',
        ])->assertSessionHasErrors('refused');
        $this->assertSame([10840, 'done'], [$this->balance($ash), $second->refresh()->state]);
        // Booked at last, the pending one is another entry.
        $this->takeIn(
            self::camt(self::entry('70.00', 'Ash Roofing', 'coming')),
            'three.xml',
        )->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_a_payment_is_spread_by_hand_and_set_aside_with_a_reason(): void
    {
        $ash = $this->account('5000.00', 'Ash Roofing');
        $one = $this->charge($ash, 'MA-0031');
        $two = $this->charge($ash, 'MA-0031');
        $file = $this->csv(self::today().',60.00,Ash Roofing,part', self::today().',5.00,Tenant,rent');
        [$mine, $rent] = $file->entries()->get()->all();
        $this->get("/bank/{$file->id}/entries/{$mine->id}")
            ->assertOk()
            ->assertSee($one)
            ->assertSee($two);
        $this->post("/bank/{$file->id}/entries/{$mine->id}/spread", [
            'how' => 'hand',
            'on' => [$two => '70.00'],
        ])->assertSessionHasErrors();
        $this->post("/bank/{$file->id}/entries/{$mine->id}/spread", [
            'how' => 'hand',
            'on' => [$two => '45.00'],
        ])->assertSessionHasNoErrors();
        $this->post("/bank/{$file->id}/entries/{$rent->id}/aside", ['reason' => ' '])->assertSessionHasErrors(
            'refused',
        );
        $this->post("/bank/{$file->id}/entries/{$rent->id}/aside", [
            'reason' => 'rent of the flat',
        ])->assertSessionHasNoErrors();
        $this->post("/bank/{$file->id}/post", ['entries' => [$mine->id, $rent->id]])->assertSessionHasNoErrors();
        $this->assertSame([10340, 5840, 'done'], [$this->open($one), $this->open($two), $file->refresh()->state]);
        $this->post("/bank/{$file->id}/entries/{$rent->id}/aside")->assertSessionHasNoErrors();
        $this->assertSame(['open', 'open'], [$rent->refresh()->state, $file->refresh()->state]);
        $this->post("/bank/{$file->id}/entries/{$mine->id}/spread", ['how' => 'oldest'])->assertSessionHasErrors(
            'refused',
        );
    }

    public function test_columns_are_said_once_for_each_bank_and_kept(): void
    {
        $this->account('5000.00', 'Ash Roofing');
        $this->takeIn("when;who;how much\n03/04/2026;Ash Roofing;1.234\n")->assertSessionHasNoErrors();
        $file = BankFile::query()->firstOrFail();
        $this->get("/bank/{$file->id}")
            ->assertOk()
            ->assertSee('Which column is what?')
            ->assertSee('how much');
        $this->post("/bank/{$file->id}/columns", [
            'names' => ['date' => 'when'],
            'dates' => 'dmy',
            'mark' => ',',
        ])->assertSessionHasErrors('refused');
        $this->post("/bank/{$file->id}/columns", [
            'names' => ['date' => 'when', 'amount' => 'how much', 'payer' => 'who'],
            'dates' => 'dmy',
            'mark' => ',',
        ])->assertSessionHasNoErrors();
        $entry = BankEntry::query()->firstOrFail();
        $this->assertSame(
            ['2026-04-03', 123400, 'Ash Roofing'],
            [$entry->booked_on?->toDateString(), $entry->amount->minor, $entry->payer],
        );
        $this->takeIn("when;who;how much\n05/04/2026;Ash Roofing;2.000\n")->assertSessionHasNoErrors();
        $this->assertSame(
            ['2026-04-05', 200000],
            [
                BankEntry::query()->latest('id')->firstOrFail()->booked_on?->toDateString(),
                BankEntry::query()->latest('id')->firstOrFail()->amount->minor,
            ],
        );
        $this->post('/bank/layouts/'.BankLayout::query()->firstOrFail()->id.'/forget')->assertSessionHasNoErrors();
        $this->takeIn("when;who;how much\n06/04/2026;Ash Roofing;3.000\n");
        $this->assertTrue(BankFile::query()->latest('id')->firstOrFail()->isUnread());
        $this->assertSame([], BankLayout::query()->get()->all());
    }
}
