<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Sums that must stay right when something is moved, taken back or comes back: discounts, exemptions. */
final class SumsTest extends FeatureCase
{
    use Returning;

    /**
     * An invoice of 107.25 paid within 10 days at 2 % off: 105.10.
     *
     * @return array{Customer, Document, Document} customer, invoice, receipt
     */
    private function paidWithDiscount(): array
    {
        $customer = $this->account(terms: ['discount' => '2']);
        $this->charge($customer, '6 x PI-2800');
        $invoice = $this->document();
        $this->assertSame(10725, $invoice->total->minor);
        $receipt = Document::query()->findOrFail($this->pay($customer, '105.10'));
        $this->assertSame([0, 215], [$this->open($invoice->label), $receipt->settlement_discount->minor]);

        return [$customer, $invoice, $receipt];
    }

    public function test_a_discount_goes_with_the_allocation_that_earned_it(): void
    {
        [$customer, $invoice, $receipt] = $this->paidWithDiscount();
        $this->as('301')
            ->post("/accounts/{$customer->number}/items/{$receipt->label}", [
                'key' => (string) Str::uuid(),
                'spread' => 'hand',
                'on' => [$invoice->label => ''],
                'amount' => '107.25',
                'reason' => 'wrong invoice',
                'way' => 'cheque',
                'day' => now()->format('Y-m-d'),
            ])
            ->assertOk();
        $this->assertSame(
            [10725, 10510, 215],
            [
                $this->open($invoice->label),
                $this->open($receipt->label),
                (int) Document::query()->where('purpose', 'discount_back')->sole()->total->minor,
            ],
        );
        $out = fn (string $amount): array => [
            'key' => (string) Str::uuid(),
            'amount' => $amount,
            'way' => 'cheque',
            'reference' => '7',
            'reason' => 'asked',
        ];
        $this->post(
            "/accounts/{$customer->number}/items/{$receipt->label}/pay-out",
            $out('107.25'),
        )->assertSessionHasErrors();
        $this->post(
            "/accounts/{$customer->number}/items/{$receipt->label}/pay-out",
            $out('105.10'),
        )->assertSessionHasNoErrors();
        $this->assertSame(10725, $this->balance($customer));
        $this->assertProves();
    }

    public function test_what_comes_back_takes_its_discount_with_it(): void
    {
        [$customer, $invoice] = $this->paidWithDiscount();

        foreach ([['1', -1788, 36], ['5', -8937, 179]] as [$quantity, $credit, $discount]) {
            $this->back($invoice, [1 => $quantity])->assertOk();
            $this->does('post')->assertOk();
            $this->assertSame(
                [$credit, $discount],
                [
                    $this->creditNote()->total->minor,
                    (int) Document::query()->where('purpose', 'discount_back')->latest('id')->toBase()->value('total'),
                ],
            );
        }

        $this->assertSame(-10510, $this->balance($customer), 'nobody is owed more than came in');
        $this->assertProves();
    }

    public function test_a_payment_that_bounces_after_it_was_moved_owes_what_was_paid(): void
    {
        [$customer, $invoice, $receipt] = $this->paidWithDiscount();
        $this->as('301')
            ->post("/accounts/{$customer->number}/items/{$receipt->label}", [
                'key' => (string) Str::uuid(),
                'spread' => 'hand',
                'on' => [$invoice->label => ''],
                'amount' => '107.25',
                'reason' => 'wrong invoice',
                'way' => 'cheque',
                'day' => now()->format('Y-m-d'),
            ])
            ->assertOk();
        $this->post("/documents/{$receipt->label}/returned", [
            'key' => (string) Str::uuid(),
            'fee' => '',
            'reason' => 'no money',
            'day' => now()->format('Y-m-d'),
        ])->assertSessionHasNoErrors();
        $this->assertSame(
            [10725, 10725, 0],
            [
                $this->balance($customer),
                $this->open($invoice->label),
                (int) OpenItemRecord::query()->where('purpose', 'discount_back')->toBase()->value('open'),
            ],
            'the invoice is owed, whole and once',
        );
        $this->assertProves();
    }

    public function test_receipts_of_a_partly_exempt_customer_prove(): void
    {
        $customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        DB::table('customers')
            ->where('id', $customer->id)
            ->update([
                'certificate' => 'X-1',
                'certificate_expires' => CarbonImmutable::today()->addYear()->format('Y-m-d'),
                'exempt' => json_encode(['state_HF']),
            ]);
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->does('deposit', ['deposit_in' => '50', 'deposit_for' => ''])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertNull($this->document()->exemption);
        $this->assertProves();
    }

    /** 107.25 charged, then to be paid in three parts with 3 % on it. */
    private function planned(): Document
    {
        $customer = $this->account();
        $this->charge($customer, '6 x PI-2800');
        $invoice = $this->document();
        $this->as('301')
            ->post("/documents/{$invoice->label}/plan", [
                'key' => (string) Str::uuid(),
                'charge' => '3 %',
                'count' => '3',
                'rhythm' => 'month',
                'first_due' => now()->addMonthNoOverflow()->format('Y-m-d'),
            ])
            ->assertSessionHasNoErrors();
        $this->assertSame(11047, $this->balance($customer));
        $this->as('101');

        return $invoice;
    }

    public function test_a_planned_invoice_that_is_voided_ends_its_plan_and_the_charge(): void
    {
        $invoice = $this->planned();
        $this->post("/documents/{$invoice->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $this->assertSame(
            [0, 0],
            [(int) DB::table('house_accounts')->value('balance'), (int) DB::table('open_items')->sum('open')],
        );
        $this->assertSame(322, (int) Document::query()->where('purpose', 'plan_let_off')->sole()->total->minor);
        $this->assertProves();
    }

    public function test_goods_of_a_planned_invoice_lower_its_parts_step_by_step(): void
    {
        $invoice = $this->planned();

        foreach ([['2', 11047 - 3575 - 107], ['4', 0]] as [$quantity, $left]) {
            $this->back($invoice, [1 => $quantity])->assertOk();
            $this->does('post')->assertOk();
            $this->assertSame($left, (int) DB::table('house_accounts')->value('balance'));
            $this->assertSame($left, (int) DB::table('open_items')->where('kind', 'charge')->sum('open'));
        }

        $this->assertProves();
    }

    public function test_a_voided_deposit_keeps_its_order_word(): void
    {
        $customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('deposit', ['deposit_in' => '20.00', 'deposit_for' => 'Order 7'])->assertOk();
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->add('LH-1140')
            ->does('deposit/use', ['rest' => '1'])
            ->assertOk();
        $this->does('deposit/use', ['deposit_used' => '4.24'])->assertOk();
        $this->does('post')->assertOk();
        $this->post("/documents/{$this->document()->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $this->assertSame(2000, (int) DB::table('held_entries')->where('kept_for', 'Order 7')->sum('amount'));
        $this->assertProves();
    }

    public function test_another_customer_does_not_silently_drop_the_hold(): void
    {
        $this->does('customer', ['customer' => $this->customer('Wren Hollis', ['phone' => '555 0142'])->id]);
        $this->add('MA-0031')
            ->does('hold', ['hold' => '25'])
            ->assertOk();
        $this->does('customer', ['customer' => $this->customer('Pine & Daughter')->id])
            ->assertStatus(422)
            ->assertSee('held as a layaway for Wren Hollis');
        $this->does('hold/drop')->assertOk();
        $this->does('customer', ['customer' => (int) DB::table('customers')->max('id')])->assertOk();
    }
}
