<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerType;
use Elmstone\Customers\PriceLevel;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Accounts\MergeCustomers;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Charging a house account at the counter. LH-1140 is 3.85, MA-0031 is 94.00; tax is 10 %. */
final class ChargingTest extends FeatureCase
{
    use Charges;

    private function begin(Customer $customer, string ...$entries): void
    {
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add(...$entries);
    }

    public function test_a_sale_is_charged_and_the_paper_shows_the_balance_before_and_after(): void
    {
        $customer = $this->account();
        $first = $this->charge($customer, 'MA-0031');
        $this->assertSame([10340, 10340], [$this->balance($customer), $this->open($first)]);
        $this->slip = (string) Str::uuid();
        $this->begin($customer, 'LH-1140');
        $this->does('party', ['purchase_order' => 'PO-7719'])->assertOk();
        $this->does('party', ['job' => 'Mill Lane'])->assertOk();
        $this->does('charge', ['rest' => '1'])
            ->assertOk()
            ->assertSee('4.24');
        $this->does('post')->assertOk()->assertSee('Balance before')->assertSee('107.64');
        $document = $this->document();
        $this->assertSame(
            ['PO-7719', 'Mill Lane', 10340, 424, 'net 30', now()->addDays(30)->toDateString()],
            [
                $document->purchase_order,
                $document->job,
                $document->balance_before?->minor,
                $document->on_account->minor,
                $document->terms,
                $document->due_date?->toDateString(),
            ],
        );
        $this->get("/documents/{$document->label}/receipt")
            ->assertSee('Balance before')
            ->assertSee('103.40')
            ->assertSee('107.64')
            ->assertSee('PO-7719');
        $this->get("/documents/{$document->label}/invoice")
            ->assertSee('PO-7719')
            ->assertSee('account '.$customer->number);
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_an_act_asks_once_whose_slip_it_is_and_what_is_held_for_them(): void
    {
        $this->begin($this->account(), 'LH-1140');
        $read = [];
        DB::listen(static function (QueryExecuted $query) use (&$read): void {
            preg_match('/^select .*? from `?(customers|held_accounts)\b/i', $query->sql, $from) === 1
                && $read[] = $from[1];
        });
        $this->add('MA-0031');

        $this->assertEqualsCanonicalizing(['customers', 'held_accounts'], $read);
    }

    public function test_part_is_charged_and_part_paid_otherwise(): void
    {
        $customer = $this->account();
        $this->begin($customer, 'MA-0031');
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(5340, $this->balance($customer));
        $this->assertEqualsCanonicalizing(
            ['house_account' => 5340, 'cash' => 5000],
            $this->document()
                ->tenders->mapWithKeys(static fn ($tender): array => [$tender->kind->value => $tender->amount->minor])
                ->all(),
        );
    }

    public function test_who_has_no_account_is_told_so_and_cannot_charge(): void
    {
        $this->begin($this->customer(), 'LH-1140');
        $this->does('charge', ['charge' => '1.00'])
            ->assertStatus(422)
            ->assertSee('There is no house account to charge');
        $this->does('on-account', ['on_account' => '1.00'])
            ->assertStatus(422)
            ->assertSee('no house account');
    }

    public function test_over_the_limit_needs_an_approval_that_holds_for_that_much_only(): void
    {
        $customer = $this->account('100.00');
        $this->begin($customer, 'MA-0031');
        $this->does('charge', ['rest' => '1'])
            ->assertOk()
            ->assertSee('3.40 over the limit');
        $this->does('post')
            ->assertStatus(422)
            ->assertSee('Over the limit by 3.40. A supervisor or the office can approve.');
        $this->does('approve', [
            'place' => 'charge',
            'approver' => '101',
            'approver_pin' => '4101',
            'approver_reason' => 'me',
        ])
            ->assertStatus(422)
            ->assertSee('may not approve');
        $this->does('approve', [
            'place' => 'charge',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'good for it',
        ])
            ->assertOk()
            ->assertSee('approved');
        // Another till charges meanwhile: the approval does not stretch.
        DB::table('house_accounts')
            ->where('customer_id', $customer->id)
            ->update(['balance' => 100]);
        $this->does('post')->assertStatus(422)->assertSee('Over the limit by 4.40');
        DB::table('house_accounts')
            ->where('customer_id', $customer->id)
            ->update(['balance' => 0]);
        $this->does('post')->assertOk();
        $this->assertSame(
            [10340, 'good for it'],
            [
                $this->balance($customer),
                DB::table('approvals')->where('id', $this->document()->approval_id)->value('reason'),
            ],
        );
    }

    public function test_a_changed_charge_wants_a_new_approval(): void
    {
        $customer = $this->account('0.00');
        $this->begin($customer, 'MA-0031');
        $this->does('charge', ['charge' => '50.00'])
            ->assertOk()
            ->assertSee('50.00 over the limit');
        $this->does('approve', [
            'place' => 'charge',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'once',
        ])->assertOk();
        $this->does('charge', ['charge' => '60.00'])
            ->assertOk()
            ->assertSee('60.00 over the limit')
            ->assertDontSee('✓ approved');
    }

    public function test_an_account_stopped_while_settling_is_not_charged(): void
    {
        $customer = $this->account();
        $this->begin($customer, 'LH-1140');
        $this->does('charge', ['rest' => '1'])->assertOk();
        app(ManageAccount::class)->stop($customer->id, 'cheque bounced', $this->staff('301'));
        $this->does('post')->assertStatus(422)->assertSee('on stop: cheque bounced');
        $this->assertSame([0, 0], [$this->balance($customer), $this->documents()]);
        $this->does('charge', ['charge' => '1.00'])
            ->assertStatus(422)
            ->assertSee('on stop');
    }

    public function test_overdue_purchase_order_and_buyer_are_each_said(): void
    {
        $customer = $this->account('500.00', terms: ['order' => true, 'late' => 0]);
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('party', ['purchase_order' => 'PO-1']);
        $this->add('LH-1140');
        $this->does('charge', ['rest' => '1']);
        $this->does('post')->assertOk();
        $contact = $customer->contacts()->create([
            'name' => 'Odo',
            'may_buy' => true,
            'spending_limit' => Money::of('1.00', Currency::of('USD')),
        ]);
        $this->travel(31)->days();
        $this->slip = (string) Str::uuid();
        $this->begin($customer, 'LH-1140');
        $this->does('party', ['contact' => (string) $contact->id])->assertOk();
        $this->does('charge', ['rest' => '1'])
            ->assertOk()
            ->assertSee('1 day late')
            ->assertSee('no purchase order')
            ->assertSee('buyer not named or not authorised')
            ->assertSee('Oldest item 1 day late');
        $this->does('party', ['purchase_order' => 'PO-2'])
            ->assertOk()
            ->assertDontSee('no purchase order');
        $this->does('party', ['contact' => '999'])
            ->assertStatus(422)
            ->assertSee('not with the customer any more');
    }

    public function test_only_what_is_sold_can_be_charged(): void
    {
        $customer = $this->account();
        $this->begin($customer, 'LH-1140');
        $this->does('charge', ['charge' => '4.25'])
            ->assertStatus(422)
            ->assertSee('Only what is sold can be charged');
        $this->does('on-account', ['on_account' => '100'])->assertOk();
        $this->does('charge', ['charge' => '100'])->assertStatus(422);
    }

    public function test_a_customer_merged_while_on_a_slip_is_chosen_anew(): void
    {
        $customer = $this->account();
        $into = $this->account('500.00', 'Flint Paving and Walls');
        $this->begin($customer, 'LH-1140');
        $this->does('charge', ['rest' => '1']);
        app(MergeCustomers::class)->handle($customer->refresh(), $into->refresh(), $this->staff('301'));
        $this->does('post')->assertStatus(422)->assertSee('was merged into another customer');
        $this->does('customer', ['customer' => $customer->id])
            ->assertStatus(422)
            ->assertSee('was merged');
        $this->does('customer', ['customer' => $into->id])->assertOk();
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(424, $this->balance($into));
    }

    public function test_a_level_a_discount_and_a_contract_price_follow_the_customer_onto_the_slip_and_off_it(): void
    {
        $level = PriceLevel::query()->create(['name' => 'trade', 'percent_off' => '10']);
        $type = CustomerType::query()->create([
            'name' => 'Trade',
            'price_level_id' => $level->id,
            'discount_percent' => '5',
        ]);
        $customer = $this->customer('Trader', ['customer_type_id' => $type->id]);
        $contract = Item::query()->where('code', 'LH-1141')->firstOrFail();
        $customer
            ->contractPrices()
            ->create(['item_id' => $contract->id, 'price' => '4.30', 'until_date' => now()->addDay()]);
        $this->add('LH-1140', 'LH-1141', 'MA-0031');
        $typed = $this->lineId(2);
        $this->does("lines/{$typed}", ['price' => '90'])->assertOk();
        $this->does('customer', ['customer' => $customer->id])
            ->assertOk()
            ->assertSee('trade');
        $lines = $this->slip()->lines;
        $this->assertSame(
            [['3.47', '5'], ['4.3', null], ['90', null]],
            $lines->map(self::priced(...))->all(),
        );
        $this->assertSame(
            ['level', 'contract', 'typed'],
            $lines->map(static fn ($line): string => $line->price_rule->value)->all(),
        );
        $this->does('add', ['entry' => 'LH-1140', 'version' => ''])->assertOk();
        $this->assertSame('2', $this->slip()->lines[0]->quantity->toString());
        $this->does('customer', ['customer' => 0])
            ->assertOk()
            ->assertSee('Walk-in');
        $this->assertSame(
            [['3.85', null], ['4.4', null], ['90', null]],
            $this->slip()->lines->map(self::priced(...))->all(),
        );
    }

    public function test_an_exempt_customer_pays_no_tax_until_the_certificate_runs_out(): void
    {
        $customer = $this->customer('Chapel', [
            'exempt' => ['*'],
            'certificate' => 'C-1',
            'certificate_expires' => now()->toDateString(),
        ]);
        $this->begin($customer, 'LH-1140');
        $this->does('cash', ['cash' => '10'])
            ->assertOk()
            ->assertSee('Exempt from tax');
        $this->does('post')->assertOk();
        $this->assertSame([385, 0], [$this->document()->total->minor, $this->document()->tax_total->minor]);
        $this->get("/documents/{$this->document()->label}/receipt")->assertSee('certificate C-1');
        $this->assertSame([], app(Prove::class)->handle()->faults);
        $this->travel(1)->days();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])
            ->assertOk()
            ->assertSee('Exemption ran out');
        $this->add('LH-1140');
        $this->assertSame(424, $this->slip()->total->minor);
    }

    public function test_a_sale_and_a_payment_towards_the_account_are_settled_together(): void
    {
        $customer = $this->account();
        $old = $this->charge($customer, 'MA-0031');
        $this->slip = (string) Str::uuid();
        $this->begin($customer, 'LH-1140');
        $this->does('on-account', ['on_account' => '100'])
            ->assertOk()
            ->assertSee('104.24');
        $this->does('cheque', ['cheque' => '60', 'cheque_number' => '77'])->assertOk();
        $this->does('cash', ['cash' => '50'])
            ->assertOk()
            ->assertSee('5.76');
        $this->does('post')->assertOk()->assertSee('Post', false);
        $slip = $this->slip();
        $this->assertNotNull($slip->receipt_id);
        $receipt = Document::query()->with('tenders')->findOrFail($slip->receipt_id);
        $this->assertSame(
            [10000, 340, 340, 576],
            [$receipt->total->minor, $this->balance($customer), $this->open($old), $receipt->change_given->minor],
        );
        $this->assertSame(
            [['cheque', 424]],
            $this->document()
                ->tenders->map(static fn ($tender): array => [$tender->kind->value, $tender->amount->minor])
                ->all(),
        );
        $this->assertSame(
            [['cheque', 5576], ['cash', 4424]],
            $receipt->tenders->map(static fn ($tender): array => [$tender->kind->value, $tender->amount->minor])->all(),
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_a_payment_alone_is_taken_at_the_counter(): void
    {
        $customer = $this->account();
        $label = $this->charge($customer, 'MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('on-account', ['on_account' => '150'])
            ->assertOk()
            ->assertSee('Post payment');
        $this->does('cash', ['cash' => '150'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            [0, -4660, 'receipt'],
            [$this->open($label), $this->balance($customer), $this->document()->kind->value],
        );
        $this->does('post')->assertOk();
        $this->assertSame(2, $this->documents());
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_terms_changed_after_the_invoice_leave_its_due_date(): void
    {
        $customer = $this->account();
        $label = $this->charge($customer, 'LH-1140');
        $due = (string) DB::table('open_items')->where('label', $label)->value('due_date');
        $this->as('301')
            ->post("/accounts/{$customer->number}/terms", [
                'credit_limit' => '600',
                'terms_kind' => 'at_once',
                'allowed_overdue_days' => '0',
                'statement_kind' => 'open_item',
                'statement_way' => 'print',
                'reason' => 'late payer',
            ])
            ->assertSessionHasNoErrors();
        $this->assertSame($due, (string) DB::table('open_items')->where('label', $label)->value('due_date'));
        $this->as('101');
        $this->assertSame(
            now()->toDateString(),
            (string) DB::table('open_items')->where('label', $this->charge($customer, 'LH-1140'))->value('due_date'),
        );
        $this->assertSame('600.00', (string) DB::table('customer_changes')->where('what', 'limit')->value('after'));
        $this->assertSame(60000, HouseAccount::query()->findOrFail($customer->id)->credit_limit->minor);
    }

    public function test_a_name_or_number_typed_puts_nobody_on_the_slip_who_was_not_chosen(): void
    {
        $customer = $this->account();
        $this->add('LH-1140');

        foreach (['flint pav', (string) $customer->number, '555'] as $typed) {
            $this->does('add', ['entry' => $typed, 'version' => ''])->assertStatus(422)->assertSee('No code is');
            $this->assertNull($this->slip()->customer_id);
        }

        $unsure = static fn (string $html): int => substr_count($html, 'data-unsure');
        $find = fn (string $typed): string => (string) $this->get("/counter/{$this->slip}/find?q={$typed}")
            ->assertSee('Fern')
            ->getContent();
        $this->customer('Fern Lodge', ['phone' => '555 0142']);
        $this->assertSame([0, 0], [$unsure($find('flint')), $unsure($find((string) $customer->number))]);
        $this->assertSame(1, $unsure($find('5550')));
    }

    public function test_found_customers_show_how_they_stand_and_a_new_one_keeps_the_sale(): void
    {
        $customer = $this->account('20.00');
        $this->charge($customer, 'LH-1140');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->get("/counter/{$this->slip}/find?q=flint")
            ->assertSee('owes 4.24')
            ->assertSee('15.76 left');
        $this->does('new-customer', ['name' => ''])
            ->assertStatus(422)
            ->assertSee('A name is needed');
        $this->does('new-customer', ['name' => 'Bryony Vale', 'mail' => 'nonsense'])
            ->assertStatus(422)
            ->assertSee('not a mail address');
        $this->does('new-customer', ['name' => 'Flint and Fern Paving Ltd'])
            ->assertStatus(422)
            ->assertSee('like name')
            ->assertSee('This is somebody else');
        $this->does('new-customer', ['name' => 'Flint and Fern Paving Ltd', 'sure' => '1'])
            ->assertOk()
            ->assertSee('Flint and Fern Paving Ltd');
        $this->assertSame(
            [1, 'Flint and Fern Paving Ltd'],
            [$this->slip()->lines->count(), $this->slip()->customer_name],
        );
    }

    /** @return array{string, string|null} price and discount */
    private static function priced(LineOnSlip $line): array
    {
        return [$line->unit_price->toString(), $line->discount_percent?->toString()];
    }
}
