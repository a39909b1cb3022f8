<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Elmstone\Layaways\Layaway;
use Elmstone\Shares\CommissionStatement;
use Elmstone\Shares\EarnedCommission;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Period;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Who sold what, the commission on it, and its statement. Net of MA-0031 94.00 at 47.00, LH-1140 3.85 at 1.92. */
final class SharesTest extends FeatureCase
{
    use Layaways;
    use Ordering;
    use Returning;

    /** @return TestResponse<Response> */
    private function rate(string $whose, string $rate, string $of = 'net', ?string $from = null, string $until = '')
    {
        return $this->as('301')->post('/shares/rates', [
            'whose' => $whose,
            'rate' => $rate,
            'of' => $of,
            'from_day' => $from ?? CarbonImmutable::today()->subYear()->format('Y-m-d'),
            'until_day' => $until,
        ]);
    }

    private function holds(string $whose, string $rate, string $of = 'net', ?string $from = null): void
    {
        $this->rate($whose, $rate, $of, $from)->assertSessionHasNoErrors();
        $this->as('101');
    }

    /** @return list<string> "101 60.00 1.50" by line and place */
    private function shares(Document $document): array
    {
        return DB::table('document_shares as s')
            ->join('staff', 'staff.id', '=', 's.staff_id')
            ->where('document_id', $document->id)
            ->orderBy('position')
            ->orderBy('place')
            ->get()
            ->map(static fn (object $row): string => sprintf(
                '%s %.2f %.2f', $row->number, $row->net / 100, $row->commission / 100,
            ))
            ->all();
    }

    private function person(string $number): string
    {
        return '/shares/people/'.$this->staff($number)->id;
    }

    /** @return TestResponse<Response> */
    private function payOut(string $number, string $amount, string $way = 'bank_transfer', ?string $key = null)
    {
        return $this->post($this->person($number).'/pay', [
            'key' => $key ?? (string) Str::uuid(),
            'from' => CarbonImmutable::today()->startOfMonth()->format('Y-m-d'),
            'paid_until' => CarbonImmutable::today()->format('Y-m-d'),
            'amount' => $amount,
            'way' => $way,
        ]);
    }

    public function test_a_slip_is_shared_with_another_and_a_line_may_differ(): void
    {
        $this->holds('house', '2');
        $this->add('MA-0031', 'LH-1140');
        $this->does('sold-by', ['sold_by' => '+201 30%'])
            ->assertOk()
            ->assertSee('Sold by Clerk Clay 70 %, Super Slate 30 %', false)
            ->assertSee('101 70%, 201 30%', false);
        $this->does("lines/{$this->lineId(1)}", ['seller' => '301'])->assertOk()->assertSee('sold by Office Oak');
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();

        $this->assertEqualsCanonicalizing(
            ['101 65.80 1.32', '201 28.20 0.56', '301 3.85 0.08'],
            $this->shares($sale),
        );
        $this->assertSame('101', $sale->seller->number, 'It is mostly the sale of who has most of it.');
        $this->get("/documents/{$sale->label}")->assertSee('Clerk Clay 65.80, Super Slate 28.20, Office Oak 3.85');
        $this->assertProves();
    }

    public function test_without_a_word_it_is_the_sale_of_who_serves(): void
    {
        $this->assertSame(['101 3.85 0.00'], $this->shares($this->sell('LH-1140')));
    }

    public function test_parts_that_do_not_make_a_whole_are_said_beside_the_field(): void
    {
        $this->add('LH-1140');

        foreach (
            [
                '101 33.33%, 201 33.33%, 301 33.33%' => 'come to 99.99 %, not to 100',
                '201 60% 301 60%' => 'come to 120 %',
                '201, 999' => 'Nobody here has the number 999',
                '201 201' => 'One person stands there twice',
                'half with Super' => 'Type staff numbers',
                '+' => 'Type staff numbers',
                '201 0% 301 100%' => 'more than 0 %',
                '201 <b>' => 'Type staff numbers',
            ] as $typed => $message
        ) {
            $this->does('sold-by', ['sold_by' => $typed])->assertStatus(422)->assertSee($message)
                ->assertSee($typed);
        }

        $this->does('sold-by', ['sold_by' => '101 201 301'])->assertOk()->assertSee('Clerk Clay 33.3334 %');
        $this->does('sold-by', ['sold_by' => ''])->assertOk()->assertDontSee('Sold by Clerk');
    }

    public function test_who_left_sells_nothing_more_and_keeps_what_they_sold(): void
    {
        $this->holds('house', '10');
        $this->add('MA-0031');
        $this->does('sold-by', ['sold_by' => '301'])->assertOk();
        $this->staff('301')->update(['active' => false]);
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(['301 94.00 9.40'], $this->shares($this->document()));
        $this->slip = (string) Str::uuid();
        $this->add('MA-0031');
        $this->does('sold-by', ['sold_by' => '301'])->assertStatus(422)->assertSee('Nobody here has the number 301');
        $this->as('901')->get('/shares')->assertOk()->assertSee('Office Oak')->assertSee('left');
        $this->payOut('301', '9.40')->assertSessionHasNoErrors();
    }

    public function test_a_layaway_stays_the_sale_of_who_made_it(): void
    {
        $this->customer = $this->customer('Ivy Holt', ['kind' => 'person', 'phone' => '555 0101']);
        $this->holds('house', '1');
        $this->holds('person:'.$this->staff('201')->id, '5');
        $this->readyToHold('20.68', '2 x MA-0031');
        $this->does('sold-by', ['sold_by' => '+201'])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $layaway = Layaway::query()->findOrFail($this->slip()->agreement_id);
        $this->as('301')->payOn($layaway, '186.12', true)->assertOk();
        $invoice = Document::query()->with('staff')->where('kind', 'invoice')->sole();
        $this->assertSame(['101 94.00 0.94', '201 94.00 4.70'], $this->shares($invoice));
        $this->assertSame('301', $invoice->staff->number);
        $this->assertProves();
    }

    public function test_an_order_stays_the_sale_of_who_took_it(): void
    {
        $this->customer = $this->account('5000.00');
        DB::table('customers')->update(['phone' => '555 0101']);
        $this->holds('house', '1');
        $this->readyToOrder(['charged' => '1'], '2 x MA-0031');
        $this->does('sold-by', ['sold_by' => '201 75%, 101'])->assertOk();
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $this->as('301')->supplies($order, [1 => '1'])->assertSessionHasNoErrors();
        $this->supplies($order, [1 => '1'])->assertSessionHasNoErrors();

        foreach (Document::query()->with('seller')->where('kind', 'invoice')->get() as $invoice) {
            $this->assertSame(['201 70.50 0.71', '101 23.50 0.24'], $this->shares($invoice));
            $this->assertSame('201', $invoice->seller->number);
        }

        $this->assertProves();
    }

    public function test_what_comes_back_takes_its_commission_back_in_the_end_all_of_it(): void
    {
        $this->holds('house', '3.7');
        $this->add('3 x LH-1140');
        $this->does('sold-by', ['sold_by' => '101 61%, 201 39%'])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->as('201');

        foreach ([[1 => '1'], [1 => '1'], [1 => '1']] as $quantities) {
            $this->back($sale, $quantities)->assertOk();
            $this->refund('cash')->assertOk();
            $this->approve('', ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'seen']);
            $this->does('post')->assertOk();
        }

        $this->assertSame(3, Document::query()->where('kind', DocumentKind::CreditNote)->count());
        $this->assertEquals(
            [0, 0],
            [DB::table('document_shares')->sum('net'), DB::table('document_shares')->sum('commission')],
        );
        $this->assertEquals(0, DB::table('document_shares')->where('staff_id', $this->staff('201')->id)->sum('net'));
        $this->assertProves();
    }

    public function test_a_sale_that_is_taken_back_whole_is_nobodys_and_again_shared_alike(): void
    {
        $this->add('MA-0031');
        $this->does('sold-by', ['sold_by' => '+201'])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->as('301')->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            'approver' => '201', 'approver_pin' => '4201', 'approver_reason' => 'typed twice',
        ]);
        $void = Document::query()->where('purpose', Purpose::Void)->sole();
        $this->assertSame(['101 -47.00 0.00', '201 -47.00 0.00'], $this->shares($void));
        $this->assertNotNull(DB::table('slips')->where('state', 'open')->value('sharing_id'));
        $this->assertProves();
    }

    public function test_a_rate_holds_from_its_day_a_persons_before_the_goods_and_theirs_before_the_houses(): void
    {
        $today = CarbonImmutable::today();
        $this->holds('house', '1');
        $this->holds('house', '2', 'net', $today->subDays(2)->format('Y-m-d'));
        $this->assertSame(
            $today->subDays(3)->format('Y-m-d'),
            DB::table('commission_rates')->orderBy('id')->value('until'),
            'The one before ends the day before.',
        );
        $of = fn (Document $sale): string => $this->shares($sale)[0];
        $this->travelTo($today->subDays(3)->setTime(10, 0));
        $this->assertSame('101 94.00 0.94', $of($this->sell('MA-0031')));
        $this->travelTo($today->subDays(2)->setTime(10, 0));
        $this->assertSame('101 94.00 1.88', $of($this->sell('MA-0031')));
        $this->travelBack();
        $this->holds('department:1', '10', 'margin', $today->format('Y-m-d'));
        $this->assertSame('101 94.00 4.70', $of($this->sell('MA-0031')));
        $this->holds('person:'.$this->staff('101')->id, '3', 'net', $today->format('Y-m-d'));
        $this->assertSame('101 94.00 2.82', $of($this->sell('MA-0031')));
        $this->assertProves();
    }

    public function test_rates_of_one_never_overlap_and_every_change_is_on_record(): void
    {
        $this->rate('house', '2', 'net', '2027-03-01', '2027-03-31')->assertSessionHasNoErrors();
        $this->rate('house', '3', 'net', '2027-03-31')->assertSessionHasErrors('from_day');
        $this->rate('house', '3', 'net', '2027-02-01')->assertSessionHasErrors('from_day');
        $this->rate('house', '3', 'net', '2027-04-02', '2027-04-01')->assertSessionHasErrors('until_day');
        $this->rate('house', '101', 'net', '2027-06-01')->assertSessionHasErrors('rate');
        $this->rate('house', 'much', 'net', '2027-06-01')->assertSessionHasErrors('rate');
        $this->rate('person:99999', '5')->assertSessionHasErrors('whose');
        $this->rate('house', '3', 'net', '2027-04-01')->assertSessionHasNoErrors();
        $this->assertSame(2, $this->rows('commission_rates'));
        $id = DB::table('commission_rates')->max('id');
        $this->as('301')->post("/shares/rates/{$id}/end", ['last' => '2027-05-31'])->assertSessionHasNoErrors();
        $this->post("/shares/rates/{$id}/end", ['last' => '2027-06-30'])->assertSessionHasErrors();
        $this->as('901')->get('/security-log')->assertSee('commission of the house');
    }

    public function test_earned_by_payment_it_is_earned_as_the_invoice_is_paid(): void
    {
        $this->holds('house', '10');
        $this->as('301')->post('/shares/terms', ['earned_at' => 'payment'])->assertSessionHasNoErrors();
        $this->as('101');
        $customer = $this->account('5000.00');
        $this->charge($customer, 'MA-0031');
        $this->assertSame('0.00', $this->owed('101'));
        $this->pay($customer, '51.70');
        $this->assertSame('4.70', $this->owed('101'));
        $this->as('301')->get($this->person('101'))->assertSee('51.70 of 103.40 paid');
        $this->payOut('101', '9.40')->assertSessionHasErrors('amount');
        $this->pay($customer, '51.70');
        $this->assertSame('9.40', $this->owed('101'));
        $this->as('101')->sell('MA-0031');
        $this->assertSame('18.80', $this->owed('101'), 'What is paid at once is earned at once.');
        $this->assertProves();
    }

    private function owed(string $number): string
    {
        $person = $this->staff($number);
        $today = CarbonImmutable::today();

        return CommissionStatement::of(
            $person,
            Period::between($today->subDays(2), $today),
            app(EarnedCommission::class),
            app(House::class),
        )->owed()->toString();
    }

    public function test_a_statement_adds_up_from_day_to_day(): void
    {
        $this->holds('house', '10');
        $this->travelTo(CarbonImmutable::today()->subDays(3)->setTime(9, 0));
        $sale = $this->sell('MA-0031');
        $this->travelBack();
        $this->as('201')->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->approve('', ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'seen']);
        $this->does('post')->assertOk();
        $this->as('101')->sell('2 x MA-0031');
        $today = CarbonImmutable::today()->format('Y-m-d');
        $page = $this->as('301')->get($this->person('101')."?from={$today}&until={$today}");
        $page->assertOk()->assertSeeInOrder(['Owed before', '9.40', 'Earned', '9.40', 'Owed on', '18.80'])
            ->assertSee('came back');
        $csv = $this->get($this->person('101').".csv?from={$today}&until={$today}")->assertOk()->streamedContent();
        $this->assertStringContainsString('-9.40', $csv);
        $this->assertStringContainsString('18.80', $csv);
    }

    public function test_no_more_is_paid_out_than_is_owed_and_not_by_oneself(): void
    {
        $this->holds('house', '10');
        $this->sell('MA-0031');
        $this->as('301');
        $this->payOut('101', '9.41')->assertSessionHasErrors('amount');
        $this->payOut('101', '')->assertSessionHasErrors('amount');
        $this->payOut('101', '-1')->assertSessionHasErrors('amount');
        $this->payOut('101', '9.40', 'card')->assertSessionHasErrors('way');
        $this->assertSame(0, $this->rows('commission_payments'));
        $key = (string) Str::uuid();
        $this->payOut('101', '9.40', 'cash', $key)->assertSessionHasNoErrors();
        $this->payOut('101', '9.40', 'cash', $key)->assertSessionHasNoErrors();
        $this->assertSame(1, $this->rows('commission_payments'));
        $this->payOut('101', '0.01')->assertSessionHasErrors('amount');
        $paid = Document::query()->with('journal')->where('purpose', Purpose::CommissionPaid)->sole();
        $this->assertSame(['commissions' => 940, 'cash' => -940], $this->posted($paid));
        $this->get($this->person('101'))->assertSee($paid->label);
        $this->as('101')->payOut('101', '1')->assertForbidden();
        $this->as('301')->sell('MA-0031');
        $this->as('301')->payOut('301', '9.40')->assertSessionHasErrors('refused');
        $this->assertProves();
        $this->assertDrawersAreRight();
    }

    public function test_cash_beyond_what_one_hands_out_takes_another(): void
    {
        DB::table('role_limits')->updateOrInsert(
            ['role' => 'office', 'matter' => 'cash'],
            ['per_document' => 500, 'per_original' => null, 'per_day' => null],
        );
        $this->holds('house', '10');
        $this->sell('MA-0031');
        $this->as('301')->payOut('101', '9.40', 'cash')->assertSessionHasErrors('refused');
        $this->assertSame(0, $this->rows('commission_payments'));
    }

    public function test_one_sees_ones_own_and_only_the_office_those_of_others(): void
    {
        $this->sell('LH-1140');
        $this->get('/shares')->assertRedirect();
        $this->get($this->person('101'))->assertOk()->assertDontSee('Pay out');
        $this->get($this->person('201'))->assertForbidden();
        $this->get($this->person('201').'.csv')->assertForbidden();
        $this->get('/shares/rates')->assertForbidden();
        $this->as('301')->get('/shares')->assertOk()->assertSee('Clerk Clay')->assertSee('3.85');
        $this->get('/shares?from=2027-03-01&until=2027-02-01')->assertRedirect()
            ->assertSessionHasErrors('from');
        $this->get('/shares?from=2001-03-01&until=2027-02-01')->assertSessionHasErrors('from');
        $this->get('/shares?period=ever')->assertSessionHasErrors('period');
    }

    public function test_what_was_shared_stays(): void
    {
        $sale = $this->sell('LH-1140');
        $this->assertThrows(static fn () => DB::table('document_shares')->update(['commission' => 1]));
        $this->assertThrows(static fn () => DB::table('document_shares')->insert([
            'document_id' => $sale->id, 'position' => 1, 'place' => 2, 'staff_id' => 1, 'percent' => 1,
            'business_date' => '2027-01-01', 'net' => 1, 'rate' => 0, 'rate_of' => 'net', 'commission' => 0,
            'earned_at' => 'invoice',
        ]));
        $this->assertProves();
    }
}
