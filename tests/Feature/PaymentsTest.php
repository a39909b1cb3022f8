<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\Setting;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Payments on account in the office: spread, moved, returned. */
final class PaymentsTest extends FeatureCase
{
    use Charges;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('5000.00', terms: ['discount' => '2']);
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function postPayment(array $fields, ?Customer $customer = null): TestResponse
    {
        return $this->as('301')->post('/accounts/'.($customer ?? $this->customer)->number.'/payment', [
            'key' => (string) Str::uuid(),
            'kind' => 'cheque',
            'reference' => '4417',
            'day' => now()->toDateString(),
            'spread' => 'oldest',
            ...$fields,
        ]);
    }

    private function receipt(): Document
    {
        return Document::query()->where('purpose', 'payment')->latest('id')->firstOrFail();
    }

    public function test_a_cheque_meets_the_oldest_due_and_the_rest_stays_as_credit(): void
    {
        $old = $this->chargeOn(now()->subDays(60)->toDateString(), $this->customer, 'MA-0031');
        $new = $this->chargeOn(now()->subDays(20)->toDateString(), $this->customer, 'LH-1140');
        $this->postPayment(['amount' => '105.00'])
            ->assertOk()
            ->assertHeader('X-Location');
        $this->assertSame([0, 264, 264], [$this->open($old), $this->open($new), $this->balance($this->customer)]);
        $this->postPayment(['amount' => '100.00', 'reference' => '4418'])->assertOk();
        $this->assertSame([0, -9736], [$this->open($new), $this->balance($this->customer)]);
        $this->get("/accounts/{$this->customer->number}")
            ->assertSee('Unused credit')
            ->assertSee('97.36');
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_the_page_shows_the_spread_before_it_is_posted(): void
    {
        $label = $this->chargeOn(now()->subDays(60)->toDateString(), $this->customer, 'MA-0031');
        $this->as('301')
            ->get("/accounts/{$this->customer->number}/payment")
            ->assertOk()
            ->assertSee($label)
            ->assertSee('stays open');
        $this->post("/accounts/{$this->customer->number}/payment/draw", ['amount' => '50', 'spread' => 'oldest'])
            ->assertOk()
            ->assertSee('53.40 left');
        $this->post("/accounts/{$this->customer->number}/payment/draw", ['amount' => '103.40', 'spread' => 'set-1'])
            ->assertOk()
            ->assertSee('exactly')
            ->assertSee('paid');
        $this->post("/accounts/{$this->customer->number}/payment/draw", ['amount' => 'x'])
            ->assertOk()
            ->assertSee('is not a number');
        $number = substr($label, 4);
        $this->post("/accounts/{$this->customer->number}/payment/draw", [
            'amount' => '103.40',
            'reference' => "for invoice {$number}",
        ])
            ->assertOk()
            ->assertSee('The reference names')
            ->assertDontSee('stays as credit</td><td class="figure fw-bold">103.40', false);
        $this->assertSame(0, Document::query()->where('purpose', 'payment')->count());
    }

    public function test_bad_payments_are_refused_beside_what_was_typed(): void
    {
        $label = $this->charge($this->customer, 'LH-1140');
        $other = $this->account('100.00', 'Another Firm');
        $this->as('101');
        $others = $this->charge($other, 'LH-1140');
        $this->postPayment(['amount' => '0'])
            ->assertStatus(422)
            ->assertSee('more than nothing');
        $this->postPayment(['amount' => ''])
            ->assertStatus(422)
            ->assertSee('Type how much came in');
        $this->postPayment(['amount' => '-5'])
            ->assertStatus(422)
            ->assertSee('No minus signs');
        $this->postPayment(['amount' => '5', 'reference' => ''])
            ->assertStatus(422)
            ->assertSee('cheque’s number', false);
        $this->postPayment(['amount' => '5', 'day' => now()->addDay()->toDateString()])
            ->assertStatus(422)
            ->assertSee('Nothing can be dated in the future');
        $this->postPayment(['amount' => '5', 'day' => now()->subDays(30)->toDateString()])
            ->assertStatus(422)
            ->assertSee('is closed');
        $this->postPayment(['amount' => '5', 'spread' => 'hand', 'on' => [$others => '1']])
            ->assertStatus(422)
            ->assertSee('somebody else’s', false);
        $this->postPayment(['amount' => '5', 'spread' => 'hand', 'on' => [$label => '4.25']])
            ->assertStatus(422)
            ->assertSee('is more than the 4.24 open');
        $this->postPayment(['amount' => '4', 'spread' => 'hand', 'on' => [$label => '4.10']])
            ->assertStatus(422)
            ->assertSee('0.10 more than');
        $this->assertSame(0, Document::query()->where('purpose', 'payment')->count());
        $this->postPayment(['amount' => '4.24', 'spread' => 'hand', 'on' => [$label => '4.24']])->assertOk();
        $this->postPayment(['amount' => '4', 'reference' => '9', 'spread' => 'hand', 'on' => [$label => '1']])
            ->assertStatus(422)
            ->assertSee('it is paid');
        $this->postPayment(['amount' => '5'], $this->customer('No Account'))->assertSessionHasErrors('refused');
    }

    public function test_what_is_no_way_of_paying_or_no_day_is_not_taken_for_another(): void
    {
        $this->charge($this->customer, 'LH-1140');
        $this->postPayment(['amount' => '10', 'kind' => 'cow'])->assertStatus(422)->assertSee('not a way of paying');
        $this->postPayment(['amount' => '10', 'day' => '2026-13-45'])->assertStatus(422)->assertSee('is no date');
        $this->postPayment(['amount' => '10', 'day' => '2026-02-30'])->assertStatus(422)->assertSee('is no date');
        $this->postPayment(['amount' => '10', 'day' => 'soon'])->assertStatus(422)->assertSee('is no date');
        $line = ['customer' => $this->customer->number, 'amount' => '10', 'key' => (string) Str::uuid()];

        foreach (['cash', 'cow'] as $kind) {
            $this->post('/accounts/cheques', [...$line, 'kind' => $kind])
                ->assertStatus(422)
                ->assertSee('not a way of paying');
        }

        $this->assertSame(0, Document::query()->where('purpose', 'payment')->count());
    }

    public function test_the_same_cheque_is_not_posted_twice_unless_it_is_another(): void
    {
        $this->postPayment(['amount' => '50'])->assertOk();
        $this->postPayment(['amount' => '50'])
            ->assertStatus(422)
            ->assertSee('was posted as RCT-000001')
            ->assertSee('It is another one');
        $this->postPayment(['amount' => '50', 'sure' => '1'])->assertOk();
        $this->postPayment(['amount' => '51'])->assertOk();
        $this->assertSame(3, Document::query()->where('purpose', 'payment')->count());
        $key = (string) Str::uuid();
        $this->postPayment(['amount' => '60', 'key' => $key])->assertOk();
        $this->postPayment(['amount' => '60', 'key' => $key])->assertOk();
        $this->assertSame(4, Document::query()->where('purpose', 'payment')->count());
    }

    public function test_a_settlement_discount_holds_while_it_holds(): void
    {
        $label = $this->charge($this->customer, 'MA-0031');
        $this->as('301')
            ->get("/accounts/{$this->customer->number}/payment?amount=101.33")
            ->assertSee('2 % off until')
            ->assertSee('paid, less 2.07');
        $this->postPayment(['amount' => '101.33'])->assertOk();
        $this->assertSame(
            [0, 0, 207],
            [$this->open($label), $this->balance($this->customer), $this->receipt()->settlement_discount->minor],
        );
        $this->get("/documents/{$this->receipt()->label}")
            ->assertSee('Settlement discount')
            ->assertSee('Settlement discounts allowed');
        $this->as('101');
        $late = $this->charge($this->customer, 'MA-0031');
        $this->travel(11)->days();
        $this->postPayment(['amount' => '101.33', 'reference' => '2'])->assertOk();
        $this->assertSame(207, $this->open($late));
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_a_cheque_that_bounces_opens_what_it_paid_and_charges_the_fee(): void
    {
        $label = $this->charge($this->customer, 'MA-0031');
        $this->postPayment(['amount' => '101.33'])->assertOk();
        $receipt = $this->receipt();
        $bounce = fn (array $fields): TestResponse => $this->post("/documents/{$receipt->label}/returned", [
            'key' => (string) Str::uuid(),
            'day' => now()->toDateString(),
            'fee' => '25.00',
            'reason' => 'no funds',
            ...$fields,
        ]);
        $bounce(['reason' => ''])->assertSessionHasErrors(['refused' => 'Say why it came back: the reason is kept.']);
        $bounce([])->assertSessionHasNoErrors();
        $this->assertSame([10340, 12840], [$this->open($label), $this->balance($this->customer)]);
        $back = Document::query()->where('purpose', 'returned_payment')->firstOrFail();
        $this->assertSame(
            [$receipt->id, 2500, 2500, 12840],
            [$back->refers_to_id, $back->fee->minor, $this->open($back->label), $back->total->minor],
        );
        $bounce([])->assertSessionHasErrors('refused');
        $this->get("/documents/{$receipt->label}")->assertSee($back->label);
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_cash_does_not_bounce(): void
    {
        $this->postPayment(['amount' => '10', 'kind' => 'cash'])->assertOk();
        $this->post("/documents/{$this->receipt()->label}/returned", [
            'key' => (string) Str::uuid(),
            'day' => now()->toDateString(),
            'reason' => 'x',
        ])->assertSessionHasErrors(['refused' => 'Cash does not bounce; pay it out instead.']);
    }

    public function test_a_payment_on_the_wrong_invoice_is_moved_and_the_move_is_on_record(): void
    {
        $wrong = $this->chargeOn(now()->subDays(60)->toDateString(), $this->customer, 'MA-0031');
        $right = $this->chargeOn(now()->subDays(50)->toDateString(), $this->customer, 'MA-0031');
        $this->pay($this->customer, '103.40');
        $move = fn (array $fields): TestResponse => $this->as('301')->post(
            "/accounts/{$this->customer->number}/items/{$this->receipt()->label}",
            ['key' => (string) Str::uuid(), 'spread' => 'hand', ...$fields],
        );
        $this->as('301')
            ->get("/accounts/{$this->customer->number}/items/{$this->receipt()->label}")
            ->assertOk()
            ->assertSee($wrong)
            ->assertSee('103.40');
        $move(['on' => [$right => '103.40']])
            ->assertStatus(422)
            ->assertSee('Say why it is moved');
        $move(['on' => [$right => '110']])->assertStatus(422);
        $move(['on' => [$right => '100'], 'reason' => 'customer meant the other'])->assertOk();
        $this->assertSame([10340, 340], [$this->open($wrong), $this->open($right)]);
        $this->assertSame([10340, -10340, 10000], DB::table('allocations')->orderBy('id')->pluck('amount')->all());
        $move(['on' => [$right => '100', $wrong => '3.40']])->assertOk();
        $this->assertSame([10000, 340], [$this->open($wrong), $this->open($right)]);
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_two_who_move_the_same_payment_do_not_use_it_twice(): void
    {
        $one = $this->charge($this->customer, 'MA-0031');
        $this->pay($this->customer, '50.00', day: now()->subDay()->toImmutable());
        $credit = OpenItemRecord::query()->where('kind', 'credit')->firstOrFail();
        $account = HouseAccount::query()->findOrFail($this->customer->id);
        $charge = (int) DB::table('open_items')->where('label', $one)->value('document_id');
        $setting = Setting::by($this->staff('301'), now()->toImmutable(), (string) Str::uuid());

        $cent = Money::of('0.01', Currency::of('USD'));

        foreach ([[$credit->document_id, [$charge => $cent]], [$charge, [$charge => $cent]]] as [$from, $parts]) {
            $this->assertThrows(
                static fn () => DB::transaction(
                    static fn () => app(Ledger::class)->allocate($account, $from, $parts, $setting),
                ),
                Refused::class,
                'Somebody else has used this credit',
            );
        }
    }

    public function test_a_stack_of_cheques_is_posted_line_by_line(): void
    {
        $this->charge($this->customer, 'MA-0031');
        $line = fn (array $fields): TestResponse => $this->as('301')->post('/accounts/cheques', [
            'key' => (string) Str::uuid(),
            'kind' => 'cheque',
            'day' => now()->toDateString(),
            ...$fields,
        ]);
        $this->as('301')->get('/accounts/cheques')->assertOk()->assertSee('Nothing yet today');
        $this->get('/accounts/cheques/find?q=flint')->assertSee((string) $this->customer->number);
        $line(['customer' => 'nobody', 'amount' => '5', 'reference' => '1'])
            ->assertStatus(422)
            ->assertSee('No house account');
        $line(['customer' => (string) $this->customer->number, 'amount' => 'five', 'reference' => '1'])
            ->assertStatus(422)
            ->assertSee('is not a number')
            ->assertSee('value="five"', false);
        $line(['customer' => (string) $this->customer->number, 'amount' => '50', 'reference' => '1'])
            ->assertOk()
            ->assertSee('RCT-000001');
        $line(['customer' => 'flint', 'amount' => '60', 'reference' => '2'])
            ->assertOk()
            ->assertSee('110.00');
        $this->assertSame(-660 + 0, $this->balance($this->customer));
    }

    public function test_clerks_do_not_post_payments_in_the_office(): void
    {
        $this->as('101')
            ->get("/accounts/{$this->customer->number}/payment")
            ->assertForbidden();
        $this->post("/accounts/{$this->customer->number}/terms", [])->assertForbidden();
        $this->as('201')
            ->post("/accounts/{$this->customer->number}/release", ['reason' => 'x'])
            ->assertForbidden();
    }

    public function test_posted_rows_of_the_ledger_are_never_changed(): void
    {
        $this->charge($this->customer, 'LH-1140');
        $this->pay($this->customer, '4.24', day: now()->toImmutable());

        foreach (
            [
                'UPDATE allocations SET amount = 1', 'DELETE FROM allocations', 'DELETE FROM open_items',
                'UPDATE open_items SET amount = amount + 1', 'UPDATE open_items SET due_date = NOW()',
                'UPDATE open_items SET `open` = amount + 1', 'UPDATE customer_changes SET what = "x"',
            ] as $sql
        ) {
            try {
                DB::statement($sql);
                $this->fail("{$sql} was let through.");
            } catch (\Illuminate\Database\QueryException $refused) {
                $this->assertMatchesRegularExpression('/Posted is posted|CONSTRAINT/', $refused->getMessage());
            }
        }
    }
}
