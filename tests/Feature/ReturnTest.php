<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Purpose;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\MergeCustomers;
use Elmstone\Returns\ReturnPolicy;
use Elmstone\Shop\Shop;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;

final class ReturnTest extends FeatureCase
{
    use Returning;

    public function test_goods_come_back_for_what_was_paid_discount_and_tax_in_it(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('4 x LH-1140');
        $this->does('discount', ['discount' => '1.00 off', ...$this->approval()])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->back($sale, [1 => '1'])
            ->assertOk()
            ->assertSee('Coming back')
            ->assertSee('To give back')
            ->assertSee($sale->label);
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk()->assertSee('Posted as');
        $note = $this->creditNote();
        $this->assertSame(
            [$sale->id, -396, -360, -36],
            [$note->refers_to_id, $note->total->minor, $note->net->minor, $note->tax_total->minor],
        );
        $this->assertSame('47', $this->onHand('LH-1140'));
        $posted = $this->posted($note);
        $this->assertSame(
            [-396, 360, 36, 192, -192],
            [
                $posted['cash'],
                $posted['sales:1'],
                $posted['tax:state_HF'],
                $posted['inventory'],
                $posted['cost_of_goods'],
            ],
        );
        $this->back($sale, [1 => '3'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            $sale->total->minor,
            -$note->total->minor - $this->creditNote()->total->minor,
            'everything is back, and so is every cent',
        );
        $this->assertProves();
    }

    public function test_more_than_was_bought_or_twice_is_refused_where_it_was_typed(): void
    {
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '3'])
            ->assertStatus(422)
            ->assertSee('only 2 can still come back');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->back($sale, [1 => '1'])
            ->assertStatus(422)
            ->assertSee('came back already');
        $this->back($sale, [1 => '-1'], false)->assertStatus(422);
        $this->does('back', ['back' => ["{$sale->id}:1" => ''], 'reason' => 'faulty'])
            ->assertStatus(422)
            ->assertSee('Type how many come back');
        $this->does('back', ['back' => ["{$sale->id}:9" => '1'], 'reason' => 'faulty'])
            ->assertStatus(422)
            ->assertSee('not on that invoice');
    }

    public function test_no_half_of_a_piece_comes_back_unless_a_half_was_sold(): void
    {
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '0.5'])->assertStatus(422)->assertSee('is sold whole');
        $this->assertSame(0, DB::table('slip_returns')->count());
        $this->back($sale, [1 => '1'])->assertOk();
        $this->does("back/{$this->backLine()}", ['quantity' => '1.5'])->assertStatus(422)->assertSee('is sold whole');
        $this->slip = (string) Str::uuid();
        $item = DB::table('items')->where('code', 'LH-1140')->value('id');
        $this->does('back/blind', ['item' => $item, 'quantity' => '0.5', 'reason' => 'not_needed'])
            ->assertStatus(422)
            ->assertSee('is sold whole');
        DB::table('items')->where('code', 'LH-1140')->update(['divisible' => true]);
        $cut = $this->sell('1.5 x LH-1140');
        DB::table('items')->where('code', 'LH-1140')->update(['divisible' => false]);
        $this->back($cut, [1 => '0.5'])->assertOk();
        $this->back($cut, [1 => '1.5'])->assertOk();
    }

    public function test_what_another_till_took_back_meanwhile_is_refused_when_it_is_posted(): void
    {
        $sale = $this->sell('LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $first = $this->slip;
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->slip = $first;
        $this->does('post')->assertStatus(422)->assertSee('All of it came back already');
        $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('All of it came back already');
        $this->assertSame(1, DB::table('documents')->where('kind', 'credit_note')->count());
        $this->assertProves();
    }

    public function test_an_exchange_settles_the_difference_once(): void
    {
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->add('PI-2800')
            ->does('cash', ['cash' => '10'])
            ->assertOk()
            ->assertSee('Going out')
            ->assertSee('Post exchange');
        $this->does('post')->assertOk();
        [$invoice, $note] = [$this->document(), $this->creditNote()];
        $this->assertSame(
            [1788, -847, 'exchange', 847],
            [
                $invoice->total->minor,
                $note->total->minor,
                $invoice->tenders[0]->kind->value,
                $invoice->tenders[0]->amount->minor,
            ],
        );
        $this->assertSame([941, 59], [$invoice->tenders[1]->amount->minor, $invoice->change_given->minor]);
        $this->assertSame(
            0,
            (int) DB::table('journal_lines')->where('account', 'exchange_clearing')->sum(DB::raw('debit - credit')),
        );
        $this->assertProves();
    }

    public function test_an_exchange_with_no_difference_needs_no_money(): void
    {
        $sale = $this->sell('LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->add('LH-1140');
        $this->does('post')->assertOk()->assertSee($this->creditNote()->label);
        $this->assertSame([424, -424], [$this->document()->total->minor, $this->creditNote()->total->minor]);
        $this->assertSame('49', $this->onHand('LH-1140'));
        $this->assertProves();
    }

    public function test_money_goes_back_only_by_the_way_it_came(): void
    {
        $sale = $this->sellByCard('2 x LH-1140');
        $this->back($sale, [1 => '1'])
            ->assertOk()
            ->assertSee('Card ending')
            ->assertSee('nothing was paid this way')
            ->assertSee('needs a named customer');
        $this->refund('cash', '4.24')->assertStatus(422)->assertSee('Nothing was paid this way');
        $this->refund('store_credit', '1.00')->assertStatus(422)->assertSee('Needs a named customer');
        $authorisation = $sale->tenders[0]->authorisation;
        $this->does('refund/terminal', ['authorisation' => $authorisation, 'amount' => '9.99'])
            ->assertStatus(422)
            ->assertSee('At most');
        $this->does('refund/terminal', ['authorisation' => '000000'])
            ->assertStatus(422)
            ->assertSee('Nothing more can go back to this card');
        $this->does('refund/terminal', ['authorisation' => $authorisation])
            ->assertOk()
            ->assertSee('paid back');
        $this->does('clear')->assertStatus(422);
        $this->does('post')->assertOk();
        $this->assertSame(
            ['card', 424, $sale->tenders[0]->last_four],
            [
                $this->creditNote()->tenders[0]->kind->value,
                $this->creditNote()->tenders[0]->amount->minor,
                $this->creditNote()->tenders[0]->last_four,
            ],
        );
        $this->assertSame([424], DB::table('terminal_requests')->where('act', 'refund')->pluck('approved')->all());
        $this->assertProves();
    }

    public function test_the_terminal_says_no_or_nothing(): void
    {
        $sale = $this->sellByCard('LH-1140');
        $authorisation = $sale->tenders[0]->authorisation;
        $this->back($sale, [1 => '1'])->assertOk();
        $this->terminal('decline')
            ->does('refund/terminal', ['authorisation' => $authorisation])
            ->assertOk()
            ->assertSee('refused to pay');
        $this->terminal('off_line')
            ->does('refund/terminal', ['authorisation' => $authorisation])
            ->assertOk()
            ->assertSee('off line');
        $this->terminal('silent_approve')
            ->does('refund/terminal', ['authorisation' => $authorisation])
            ->assertOk()
            ->assertSee('outcome unknown');
        $this->does('post')->assertStatus(422);
        $card = $this->slip()->cards->last()->id;
        $this->does("card/{$card}/ask")
            ->assertOk()
            ->assertSee('paid back');
        $this->does('refund/terminal', ['authorisation' => $authorisation])->assertStatus(422);
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_what_was_charged_goes_back_to_the_account_and_its_own_invoice_first(): void
    {
        $customer = $this->account();
        $first = $this->charge($customer, 'LH-1141');
        $label = $this->charge($customer, '2 x LH-1140', 'PI-2800');
        $invoice = $this->document();
        $this->back($invoice, [2 => '1'])
            ->assertOk()
            ->assertSee('17.88 was charged there')
            ->assertSee('all of it was charged to the account');
        $this->refund('cash', '1.00')->assertStatus(422);
        $this->refund('house_account', '5.00')->assertStatus(422)->assertSee('goes back there');
        $this->does('post')->assertOk();
        $this->assertSame([847, 484], [$this->open($label), $this->open($first)]);
        $this->pay($customer, '13.31');
        $this->back($invoice, [1 => '2'])->assertOk();
        $this->does('post')->assertOk();
        $note = $this->creditNote();
        $this->assertSame(
            [-847, 847],
            [$this->balance($customer), $this->open($note->label)],
            'paid meanwhile: it is kept as credit',
        );
        $this->assertProves();
    }

    public function test_an_original_half_charged_gives_back_the_charge_first(): void
    {
        $customer = $this->account();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->add('2 x PI-2800')
            ->does('charge', ['charge' => '20.00'])
            ->assertOk();
        $this->does('cash', ['cash' => '15.75'])->assertOk();
        $this->does('post')->assertOk();
        $invoice = $this->document();
        $this->back($invoice, [1 => '2'])
            ->assertOk()
            ->assertSee('20.00 was charged there');
        $this->refund('cash')->assertOk();
        $this->assertSame(1575, ($this->slip()->back ?? [])['cash']->minor);
        $this->does('post')->assertOk();
        $this->assertSame(0, $this->balance($customer));
        $this->assertProves();
    }

    public function test_a_deposit_that_paid_is_a_deposit_again(): void
    {
        $customer = $this->customer('Wren Hollis');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('deposit', ['deposit_in' => '20.00', 'deposit_for' => '']);
        $this->does('cash', ['cash' => '20']);
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->add('LH-1140')
            ->does('deposit/use', ['rest' => '1'])
            ->assertOk();
        $this->does('post')->assertOk();
        $this->back($this->document(), [1 => '1'])->assertOk();
        $this->refund('cash', '4.24')->assertStatus(422);
        $this->refund('deposit_held')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(2000, Held::of(HeldKind::Deposit));
        $this->assertProves();
    }

    public function test_an_old_tax_rate_goes_back_as_it_was_paid(): void
    {
        $sale = $this->sell('2 x LH-1140');
        DB::table('tax_components')
            ->where('code', 'state_HF')
            ->update(['rate' => '20']);
        // The next day's process reads the taxes anew.
        array_map(static fn ($route) => $route->flushController(), app('router')->getRoutes()->getRoutes());
        app()->forgetScopedInstances();
        $this->back($sale, [1 => '1'])->assertOk();
        $this->does('back/blind', [
            'item' => DB::table('items')->where('code', 'LH-1141')->value('id'),
            'reason' => 'not_needed',
        ])
            ->assertOk()
            ->assertSee('list price');
        $this->refund('cash', '4.24')->assertOk();
        $this->refund('gift_card')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('without a receipt');
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
        $note = $this->creditNote();
        $this->assertSame(
            [['10', -39], ['20', -88]],
            $note->taxes->map(static fn ($tax): array => [$tax->rate->toString(), $tax->amount->minor])->all(),
        );
        $this->assertSame(-424 - 528, $note->total->minor);
        $this->assertProves();
    }

    public function test_without_a_receipt_the_lowest_price_and_no_card(): void
    {
        $this->sell('LH-1140');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '3.50', ...$this->approval()])
            ->assertOk();
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $item = DB::table('items')->where('code', 'LH-1140')->value('id');
        $this->does('back/blind', ['item' => $item, 'reason' => 'not_needed'])
            ->assertOk()
            ->assertSee('lowest price in 90 days')
            ->assertSee('3.85');
        $this->refund('cash')->assertOk()->assertSee('Cash for goods without a receipt');
        $this->does('post')->assertStatus(422)->assertSee('A supervisor can approve');
        $this->approve('refund')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('without a receipt');
        $this->approve("back.{$this->backLine()}")->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(-385, $this->creditNote()->total->minor);
        $this->assertProves();
    }

    public function test_what_is_in_no_list_comes_back_with_approval(): void
    {
        $this->does('back/one-off', [
            'description' => 'Odd bracket',
            'quantity' => '1',
            'price' => '2.00',
            'department_id' => 1,
            'tax_class' => 'standard',
            'reason' => 'not_needed',
        ])
            ->assertOk()
            ->assertSee('A supervisor can approve');
        $this->refund('gift_card')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('not in the list');
        $this->approve("back.{$this->backLine()}", $this->approval())->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(220, Held::of(HeldKind::GiftCard));
        $this->assertProves();
    }

    public function test_the_policy_is_said_and_a_supervisor_may_pass_it(): void
    {
        $policy = ReturnPolicy::query()->create([
            'name' => 'Cut goods',
            'returnable' => false,
            'days' => null,
            'fee_percent' => '0',
            'words' => '',
        ]);
        DB::table('items')
            ->where('code', 'PI-2800')
            ->update(['return_policy_id' => $policy->id]);
        $sale = $this->sell('PI-2800');
        $this->get("/counter/{$this->slip}/back/find?q={$sale->label}")
            ->assertOk()
            ->assertSee('not taken back: needs approval');
        $this->back($sale, [1 => '1'])
            ->assertOk()
            ->assertSee('not taken back');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertStatus(422);
        $this->approve("back.{$this->backLine()}", [
            'approver' => '201',
            'approver_pin' => '9',
            'approver_reason' => 'x',
        ])->assertStatus(422);
        $this->approve("back.{$this->backLine()}", $this->approval('cut wrongly by us'))->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            'cut wrongly by us',
            DB::table('approvals')->where('what', 'outside_policy')->value('reason'),
        );
        $this->assertProves();
    }

    public function test_too_late_and_a_restocking_fee(): void
    {
        $policy = ReturnPolicy::query()->create([
            'name' => 'Usual',
            'returnable' => true,
            'days' => 2,
            'fee_percent' => '15',
            'words' => 'unused',
        ]);
        Shop::query()->update(['return_policy_id' => $policy->id]);
        $this->travelTo(CarbonImmutable::today()->subDays(3)->setTime(10, 0));
        $sale = $this->sell('2 x PI-2800');
        $this->travelBack();
        $this->back($sale, [1 => '1'])
            ->assertOk()
            ->assertSee('bought 3 days ago; 2 are allowed')
            ->assertSee('Restocking fee');
        $this->approve("back.{$this->backLine()}", $this->approval())->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $note = $this->creditNote();
        $this->assertSame([-1788 + 244, -244], [$note->total->minor, $this->posted($note)['fees']]);
        $this->back($sale, [1 => '1'])->assertOk();
        $this->does("back/{$this->backLine()}/waive", $this->approval())
            ->assertOk()
            ->assertDontSee('kept by the shop');
        $this->approve("back.{$this->backLine()}")->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            -1787,
            $this->creditNote()->total->minor,
            'what was paid for two, less what was given back for one',
        );
        $this->assertProves();
    }

    public function test_over_the_clerks_limit_needs_approval(): void
    {
        DB::table('role_limits')->insert([
            'role' => 'clerk',
            'matter' => 'cash',
            'per_document' => 500,
            'per_original' => 500,
            'per_day' => null,
            'approves' => 0,
        ]);
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->refund('cash')->assertOk()->assertSee('More than 5.00 is handed back');
        $this->does('post')->assertStatus(422);
        $this->approve('refund')->assertOk()->assertSee('Cash handed out: 8.47')->assertSee('approved by Super Slate');
        $this->does('post')->assertOk();
    }

    public function test_goods_go_where_they_are_sent(): void
    {
        $sale = $this->sell('3 x LH-1140');
        $this->back($sale, [1 => '1'], reason: 'damaged')
            ->assertOk()
            ->assertSee('written off');
        $this->back($sale, [1 => '1'], false, 'faulty')->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $posted = $this->posted($this->creditNote());
        $this->assertSame(
            ['47', 192, 192],
            [$this->onHand('LH-1140'), $posted['written_off'], $posted['supplier_claims']],
        );
        $this->assertArrayNotHasKey('inventory', $posted);
        $this->assertProves();
    }

    public function test_what_comes_back_to_stock_moves_the_average_cost(): void
    {
        $sale = $this->sell('10 x LH-1140');
        DB::table('items')
            ->where('code', 'LH-1140')
            ->update(['cost' => '3.0000']);
        $this->back($sale, [1 => '10'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            '2.7840',
            DB::table('items')->where('code', 'LH-1140')->value('cost'),
            '(40 at 3.00 and 10 at 1.92) ÷ 50',
        );
    }

    public function test_somebody_elses_goods_are_not_mixed_in(): void
    {
        $mine = $this->sellTo($this->customer('Wren Hollis'), 'LH-1140');
        $theirs = $this->sellTo($this->customer('Pine & Daughter'), 'LH-1140');
        $this->back($mine, [1 => '1'])
            ->assertOk()
            ->assertSee('Wren Hollis');
        $this->back($theirs, [1 => '1'], false)
            ->assertStatus(422)
            ->assertSee('was sold to Pine &amp; Daughter', false);
        $this->refund('store_credit')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(424, Held::of(HeldKind::StoreCredit));
    }

    public function test_what_is_returned_is_found_by_receipt_item_card_and_customer(): void
    {
        $customer = $this->customer('Wren Hollis');
        $this->sellTo($customer, 'LH-1140');
        $sale = $this->sellByCard('2 x PI-2800');
        $find = fn (string $typed): string => (string) $this->get(
            "/counter/{$this->slip}/back/find?q=".urlencode($typed),
        )
            ->assertOk()
            ->getContent();
        $this->slip = (string) Str::uuid();
        $this->assertStringContainsString('Copper pipe', $find($sale->label));
        $this->assertStringContainsString('Copper pipe', $find((string) $sale->number));
        $this->assertStringContainsString('Copper pipe', $find($sale->tenders[0]->last_four.' today'));
        $this->assertStringContainsString(
            'Copper pipe',
            $find($sale->tenders[0]->last_four.' '.now()->format('Y-m-d')),
        );
        $this->assertStringNotContainsString('Gives back', $find($sale->tenders[0]->last_four.' 2001-01-01'));
        $this->assertStringContainsString($sale->label, $find('copper pipe'));
        $this->assertStringContainsString('Limestone hook', $find('wren'));
        $this->assertStringContainsString('Nothing that was sold fits', $find('zzz'));
        $this->does('customer', ['customer' => $customer->id]);
        $this->assertStringContainsString('Limestone hook', $find(''));
        $this->assertStringNotContainsString('Copper pipe', $find(''));
    }

    public function test_a_void_takes_a_sale_back_whole_and_opens_it_again(): void
    {
        $sale = $this->sell('2 x LH-1140', 'PI-2800');
        $this->post("/documents/{$sale->label}/void", ['act' => (string) Str::uuid()])->assertSessionHasErrors();
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval('wrong customer'),
        ])->assertRedirect();
        $note = Document::query()
            ->with(['tenders', 'journal'])
            ->where('refers_to_id', $sale->id)
            ->firstOrFail();
        $this->assertSame(
            [Purpose::Void, -$sale->total->minor, 'cash'],
            [$note->purpose, $note->total->minor, $note->tenders[0]->kind->value],
        );
        $fresh = Slip::query()->where('state', 'open')->latest('id')->firstOrFail()->load('lines');
        $this->assertSame(['LH-1140', 'PI-2800'], $fresh->lines->pluck('code')->all());
        $this->assertSame(['50', '50'], [$this->onHand('LH-1140'), $this->onHand('PI-2800')]);
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect("/counter/{$fresh->key}");
        $this->assertSame(1, DB::table('documents')->where('purpose', 'void')->count());
        $this->assertProves();
    }

    public function test_a_void_whose_card_is_not_paid_back_stays_open(): void
    {
        $sale = $this->sellByCard('LH-1140');
        $this->terminal('decline');
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $this->assertSame(0, DB::table('documents')->where('purpose', 'void')->count());
        $slip = Slip::query()->where('void_of_id', $sale->id)->firstOrFail();
        $this->get("/counter/{$slip->key}")
            ->assertOk()
            ->assertSee('refused to pay')
            ->assertSee('Void the sale');
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $this->assertSame(1, DB::table('documents')->where('purpose', 'void')->count());
        $this->assertProves();
    }

    public function test_what_cannot_be_voided_says_why(): void
    {
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash');
        $this->does('post')->assertOk();
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertSessionHasErrors();
        $this->travelTo(CarbonImmutable::today()->subDay()->setTime(10, 0));
        $old = $this->sell('LH-1140');
        $this->travelBack();
        $this->post("/documents/{$old->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertSessionHasErrors();
    }

    public function test_goods_of_a_completed_layaway_come_back_by_the_ways_it_was_paid(): void
    {
        $customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->add('MA-0031')
            ->does('hold', ['hold' => '25.00'])
            ->assertOk();
        $this->does('cash', ['cash' => '25.00'])->assertOk();
        $this->does('post')->assertOk();
        $layaway = DB::table('agreements')->first() ?? throw new LogicException('There is no layaway.');
        $this->slip = (string) Str::uuid();
        $this->does("layaways/{$layaway->label}")->assertOk();
        $this->does("layaways/{$layaway->label}/amount", ['amount' => '78.40'])->assertOk();
        $this->does("layaways/{$layaway->label}/leaves", ['leaves' => '1'])->assertOk();
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $invoice = Document::query()->findOrFail((int) DB::table('agreements')->value('document_id'));
        $this->back($invoice, [1 => '1'])
            ->assertOk()
            ->assertSee('Card ending');
        $this->refund('cash', '25.01')->assertStatus(422)->assertSee('At most 25.00');
        $this->refund('cash', '25.00')->assertOk();
        $this->does('refund/terminal', [
            'authorisation' => (string) DB::table('document_tenders')->where('kind', 'card')->value('authorisation'),
        ])
            ->assertOk()
            ->assertSee('paid back');
        $this->does('post')->assertOk();
        $this->assertSame(-10340, $this->creditNote()->total->minor);
        $this->assertProves();
    }

    public function test_a_gift_card_does_not_come_back_and_a_coupon_does_not_go_on_a_layaway(): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '10', 'code' => ''])->assertOk();
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();
        $this->back($this->document(), [1 => '1'])
            ->assertStatus(422)
            ->assertSee('Goods come back of a sale’s invoice only');
        DB::table('coupons')->insert([
            'code' => 'SPRING',
            'description' => 'Spring',
            'percent' => '10',
            'starts_on' => '2020-01-01',
        ]);
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer('Wren Hollis', ['phone' => '555 0142'])->id]);
        $this->add('MA-0031', 'LH-1140', 'SPRING')
            ->does('hold', ['rest' => '1'])
            ->assertOk()
            ->assertSee('Coupons are not for layaways');
        $this->does('post')->assertStatus(422);
    }

    public function test_a_serial_number_comes_back_and_can_be_sold_again(): void
    {
        DB::table('items')
            ->where('code', 'MA-0031')
            ->update(['has_serials' => true]);
        $this->slip = (string) Str::uuid();
        $this->add('2 x MA-0031')
            ->does("lines/{$this->lineId()}", ['serials' => 'A1, B2'])
            ->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('has serial numbers');
        $this->does("back/{$this->backLine()}", ['serials' => 'C3'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('did not leave the house with that invoice');
        $this->does("back/{$this->backLine()}", ['serials' => 'B2'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            ['A1' => 'out', 'B2' => 'in'],
            DB::table('item_serials')->orderBy('serial')->pluck('state', 'serial')->all(),
        );
        $this->assertProves();
    }

    public function test_a_line_that_comes_back_is_changed_in_place_and_dropped(): void
    {
        $sale = $this->sell('3 x LH-1140', 'PI-2800');
        $this->back($sale, [1 => '1', 2 => '1'])->assertOk();
        $line = $this->backLine();
        $this->does("back/{$line}", ['goods_to' => 'written_off'])->assertOk();
        $this->does("back/{$line}", ['reason' => 'faulty'])->assertOk();
        $this->does("back/{$line}", ['quantity' => '2'])
            ->assertStatus(422)
            ->assertSee('only 1 can still come back');
        $this->does("back/{$line}", ['quantity' => 'some'])->assertStatus(422);
        $this->assertSame(
            ['written_off', 'faulty', '1.0000'],
            array_values(
                (array) DB::table('slip_returns')
                    ->where('id', $line)
                    ->first(['goods_to', 'reason', 'quantity']),
            ),
        );
        $this->does("back/{$line}/remove")
            ->assertOk()
            ->assertSee('4.24')
            ->assertDontSee('PI-2800');
        $this->does('clear')->assertOk();
    }

    public function test_whose_goods_come_back_stays_on_the_slip(): void
    {
        $customer = $this->account();
        $label = $this->charge($customer, 'LH-1140');
        $this->back($this->document(), [1 => '1'])->assertOk();
        $other = $this->customer('Pine & Daughter');
        $this->does('customer', ['customer' => $other->id])
            ->assertStatus(422)
            ->assertSee('comes back on this slip');
        $this->does('customer', ['customer' => 0])
            ->assertStatus(422)
            ->assertSee("{$label} was sold to");
        $this->does("back/{$this->backLine()}/remove")->assertOk();
        $this->does('customer', ['customer' => $other->id])->assertOk();
    }

    public function test_what_a_merged_customer_bought_comes_back_for_the_other(): void
    {
        $sale = $this->sellTo($this->customer('Wren Hollis'), 'LH-1140');
        $into = $this->customer('Wren Hollis and Sons');
        app(MergeCustomers::class)->handle(
            Customer::query()->where('name', 'Wren Hollis')->firstOrFail(),
            $into,
            $this->staff('301'),
        );
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $into->id])->assertOk();
        $this->get("/counter/{$this->slip}/back/find?q=")
            ->assertOk()
            ->assertSee($sale->label);
        $this->back($sale, [1 => '1'], false)->assertOk();
        $this->refund('store_credit')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            424,
            Held::of(HeldKind::StoreCredit, $into->id),
        );
        $this->assertProves();
    }

    public function test_nothing_comes_back_before_it_was_sold(): void
    {
        $sale = $this->sell('LH-1140');
        $this->as('201')
            ->back($sale, [1 => '1'])
            ->assertOk();
        $this->does('date', ['date' => CarbonImmutable::today()->subDays(2)->format('Y-m-d')])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('was sold later than the day');
    }
}
