<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Letters\Letter;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Smalot\PdfParser\Parser;
use Symfony\Component\HttpFoundation\Response;

/** Reminder letters to house accounts, level by level, with their fees. */
final class LettersTest extends FeatureCase
{
    use Charges;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->customer->update(['mail' => 'books@example.com']);
    }

    /** An invoice so many days late: due 30 days after it was made. */
    private function late(int $days, ?Customer $whose = null): string
    {
        $this->as('101');
        $label = $this->chargeOn(now()->subDays(30 + $days)->toDateString(), $whose ?? $this->customer, 'MA-0031');
        $this->as('301');

        return $label;
    }

    /** @return TestResponse<Response> */
    private function send(?Customer $to = null): TestResponse
    {
        return $this->as('301')->post('/letters', ['accounts' => [(string) ($to ?? $this->customer)->id]])
            ->assertSessionHasNoErrors();
    }

    private function fee(int $level, string $fee): void
    {
        $levels = [[10, 'first'], [24, 'second'], [38, 'third']];
        Shop::query()->toBase()->update(['letter_levels' => json_encode(array_map(
            static fn (int $i, array $one): array => [
                'after' => $one[0], 'fee' => $i + 1 === $level ? $fee : '0', 'words' => "The {$one[1]} time we write.",
            ],
            array_keys($levels), $levels,
        ))]);
        app(House::class)->shop()->refresh();
    }

    private function last(): Letter
    {
        return Letter::query()->latest('id')->firstOrFail();
    }

    public function test_a_letter_goes_by_mail_with_all_that_is_late_and_once_a_day(): void
    {
        [$older, $newer] = [$this->late(12), $this->late(3)];
        $this->get('/letters')->assertOk()->assertSee($this->customer->name)->assertSee("{$older} 12 days")
            ->assertSee('206.80');
        $this->send()->assertSessionHas('done', '1 letter was mailed.');
        $letter = $this->last();
        $this->assertSame([1, 'mailed', 20680], [$letter->level, $letter->state, $letter->total->minor]);
        $this->assertSame(
            [[$older, 1], [$newer, null]],
            DB::table('letter_items as i')->join('open_items as o', 'o.document_id', '=', 'i.document_id')
                ->orderBy('o.document_id')->get()->map(static fn ($row): array => [$row->label, $row->level])->all(),
        );
        $this->send()->assertSessionHas('done', 'No letter was due any more.');
        $this->assertSame([1, 1], [Letter::query()->count(), DB::table('sent_mails')->count()]);
        $this->get('/letters')->assertSee('No letter is due today')->assertSee('mailed by Office Oak');
        $this->get("/customers/{$this->customer->number}")->assertSee('Reminder: account');
        $paper = (new Parser)->parseContent((string) $this->get("/letters/{$letter->id}.pdf")->assertOk()
            ->getContent())->getText();

        foreach ([$older, $newer, '12', '206.80', 'slipped your mind'] as $said) {
            $this->assertStringContainsString($said, $paper);
        }

        $this->get("/accounts/{$this->customer->number}")->assertSee('Reminder over')->assertSee('206.80');
        $this->pay($this->customer, '206.80');
        $again = (new Parser)->parseContent((string) $this->get("/letters/{$letter->id}.pdf")->getContent())->getText();
        $this->assertSame($paper, $again, 'A letter that was sent stays as it was.');
    }

    public function test_the_second_goes_when_its_time_has_come_and_its_fee_is_owed(): void
    {
        $this->fee(2, '7.50');
        $this->late(12);
        $this->send();
        $this->travel(13)->days();
        $this->get('/letters')->assertSee('No letter is due today');
        $this->travel(1)->days();
        $this->get('/letters')->assertSee('Second reminder')->assertSee('7.50');
        $this->send()->assertSessionHas('done', '1 letter was mailed.');
        $letter = $this->last();
        $fee = Document::query()->findOrFail((int) $letter->fee_document_id);
        $this->assertSame(
            [2, Purpose::Fee, 750, 0, 10340 + 750],
            [
                $letter->level, $fee->purpose, $fee->total->minor, $fee->tax_total->minor,
                $this->balance($this->customer),
            ],
        );
        $this->assertSame(['110.90', $fee->label], [$letter->data['total'], $letter->data['fee_number']]);
        $this->send()->assertSessionHas('done', 'No letter was due any more.');
        // The fee is late in its turn: it is listed, and calls for no letter of its own.
        $this->pay($this->customer, '103.40');
        $this->travel(200)->days();
        $this->get('/letters')->assertSee('No letter is due today');
        $this->assertProves();
    }

    public function test_what_is_disputed_promised_met_by_credit_or_not_wanted_calls_for_none(): void
    {
        $label = $this->late(12);
        $at = "/accounts/{$this->customer->number}";
        $this->post("{$at}/settle/{$label}/dispute", ['reason' => 'short', 'key' => (string) Str::uuid()]);
        $this->get('/letters')->assertSee('No letter is due today');
        $this->post("{$at}/settle/{$label}/settled", ['reason' => 'it was there', 'key' => (string) Str::uuid()]);
        $this->get('/letters')->assertSee($label);
        $this->post("{$at}/calls", [
            'note' => 'on Friday', 'promised' => '103.40', 'promised_on' => now()->addDays(2)->toDateString(),
        ])->assertSessionHasNoErrors();
        $this->get('/letters')->assertSee('promised until')->assertDontSee('checked>', false);
        $this->assertSame(1, DB::table('house_accounts')->where('customer_id', $this->customer->id)
            ->update(['letters' => false]));
        $this->get('/letters')->assertSee('No letter is due today');
        DB::table('house_accounts')->update(['letters' => true]);
        $other = $this->account('500.00', 'Ash Roofing');
        $credit = $this->late(12, $other);
        $this->pay($other, '60.00');
        $receipt = Document::query()->where('purpose', Purpose::Payment)->latest('id')->firstOrFail();
        $this->post("/accounts/{$other->number}/items/{$receipt->label}", [
            'key' => (string) Str::uuid(), 'spread' => 'hand', 'on' => [], 'reason' => 'not for that',
        ]);
        $this->assertSame(10340, $this->open($credit));
        $this->send($other);
        $this->assertSame(4340, $this->last()->total->minor, 'Unused credit is taken off first.');
    }

    public function test_without_a_mail_address_it_is_printed_and_what_fails_is_mailed_again(): void
    {
        $printed = $this->account('500.00', 'Ash Roofing');
        $this->late(12, $printed);
        $this->late(20);
        $this->get('/letters/print.pdf')->assertNotFound();
        $this->as('901')->post('/devices/mailbox', ['broken' => '1']);
        $this->as('301')->post('/letters', [
            'accounts' => [(string) $printed->id, (string) $this->customer->id, 'nonsense', '999999'],
        ])->assertSessionHas('done', '0 letters were mailed, 1 to print, 1 could not be mailed: see below.');
        $failed = Letter::query()->where('state', 'failed')->sole();
        $this->get('/letters')->assertSee('mail it again')->assertSee('Print today’s');
        $this->get('/letters/print.pdf')->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $this->post("/letters/{$failed->id}/mail-again")->assertSessionHas('done', 'It could not be mailed.');
        $this->as('901')->post('/devices/mailbox', ['broken' => '0']);
        // As while another till mails it, and long after that till was switched off.
        $failed->refresh()->update(['state' => 'mailing', 'mailing_at' => now()]);
        $this->as('301')->get('/letters')->assertSee('being mailed')->assertDontSee('mail it again');
        $this->post("/letters/{$failed->id}/mail-again");
        $this->assertSame(0, DB::table('sent_mails')->count());
        $this->travel(6)->minutes();
        $this->get('/letters')->assertSee('nobody knows whether it went');
        $this->as('301')->post("/letters/{$failed->id}/mail-again")
            ->assertSessionHas('done', 'Mailed to books@example.com.');
        $this->post("/letters/{$failed->id}/mail-again");
        $this->assertSame(1, DB::table('sent_mails')->count(), 'What went does not go again.');
    }

    public function test_no_letters_is_a_term_of_the_account_kept_on_record_and_by_tables(): void
    {
        $this->late(12);
        $at = "/accounts/{$this->customer->number}";
        $terms = [
            'credit_limit' => '5000', 'terms_kind' => 'net', 'terms_days' => '30', 'allowed_overdue_days' => '365',
            'statement_kind' => 'open_item', 'statement_way' => 'print', 'reason' => 'they asked',
        ];
        $this->post("{$at}/terms", $terms)->assertSessionHasNoErrors();
        $this->get('/letters')->assertSee('No letter is due today');
        $this->get("/customers/{$this->customer->number}")->assertSee('no reminder letters');
        $csv = "number,name,limit\n{$this->customer->number},{$this->customer->name},6000\n";
        $this->post('/tables/customers', ['file' => UploadedFile::fake()->createWithContent('c.csv', $csv)]);
        $this->post('/tables/customers/bring-in', ['csv' => hash('sha256', $csv)])->assertSessionHas('done');
        $account = HouseAccount::query()->findOrFail($this->customer->id);
        $this->assertSame(['6000.00', false], [$account->credit_limit->toString(), $account->letters]);
        $this->post("{$at}/terms", [...$terms, 'letters' => '1'])->assertSessionHasNoErrors();
        $this->get('/letters')->assertSee($this->customer->name);
    }

    public function test_clerks_send_none_and_the_levels_are_checked(): void
    {
        $this->late(12);
        $this->as('101')->get('/letters')->assertForbidden();
        $this->post('/letters', ['accounts' => [(string) $this->customer->id]])->assertForbidden();
        $this->assertSame(0, Letter::query()->count());
        $set = fn (array $after, array $fee = [], array $words = ['a', 'b']): TestResponse => $this->as('301')->post(
            '/letters/settings', ['after' => $after, 'fee' => $fee, 'words' => $words],
        );
        $this->assertRefused('more days than the one before', $set(['20', '10']));
        $this->assertRefused('a whole number from 1 to 365', $set(['soon']));
        $this->assertRefused('what the letter says', $set(['10'], words: ['']));
        $this->assertRefused('No minus signs', $set(['10'], ['-1']));
        $set(['5', ''], ['2.50'], ['Please pay.', 'never'])->assertSessionHasNoErrors();
        $this->send();
        $this->assertSame(['Please pay.', '2.50'], [$this->last()->data['words'], $this->last()->data['fee']]);
        $set(['', ''])->assertSessionHasNoErrors();
        $this->get('/letters')->assertSee('The shop sends none');
        $this->assertProves();
    }
}
