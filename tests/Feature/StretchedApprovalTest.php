<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Contact;
use Elmstone\Layaways\Layaway;
use Elmstone\Returns\ReturnPolicy;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** An approval binds to what was approved: what is changed beyond it afterwards is asked about again. */
final class StretchedApprovalTest extends FeatureCase
{
    use Layaways;
    use Returning;

    private function pays(string $cash = '100000'): void
    {
        $this->does('cash', ['cash' => $cash])->assertOk();
    }

    public function test_a_price_approved_for_one_does_not_hold_for_five_hundred(): void
    {
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '2.50', ...$this->approval()])
            ->assertOk()
            ->assertSee('approved by Super Slate');
        $this->pays();
        $this->does("lines/{$this->lineId()}", ['quantity' => '500'])
            ->assertOk()
            ->assertSee('no longer covers it');
        $this->does('post')->assertStatus(422)->assertSee('below the lowest price');
        $this->does("lines/{$this->lineId()}", ['quantity' => '1'])
            ->assertOk()
            ->assertDontSee('no longer covers');
        $this->does('post')->assertOk();
        $this->assertSame(1, DB::table('document_approvals')->count());
        $this->assertProves();
    }

    public function test_a_price_approved_once_is_not_lowered_by_a_whole_slip_discount(): void
    {
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '2.50', ...$this->approval()])
            ->assertOk();
        $this->does('discount', ['discount' => '95 %'])
            ->assertStatus(422)
            ->assertSee('A supervisor can approve');
        $this->does('discount', ['discount' => '95 %', ...$this->approval()])->assertOk();
        $this->pays();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_discount_approved_on_a_small_slip_does_not_hold_for_what_is_added(): void
    {
        $this->add('LH-1140')
            ->does('discount', ['discount' => '40 %', ...$this->approval()])
            ->assertOk();
        $this->add('50 x PI-2800');
        $this->pays();
        $this->does('post')->assertStatus(422)->assertSee('Copper pipe');
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(2, DB::table('document_approvals')->count());
        $this->assertProves();
    }

    public function test_nobody_approves_what_they_ask_for_or_post_themselves(): void
    {
        $this->as('201')->add('LH-1140');
        $this->does("lines/{$this->lineId()}", ['price' => '2.50', ...$this->approval()])
            ->assertStatus(422)
            ->assertSee('somebody else has to approve');
        $this->as('101')
            ->does("lines/{$this->lineId()}", ['price' => '2.50', ...$this->approval()])
            ->assertOk();
        $this->pays();
        $this->as('201')->does('post')->assertStatus(422)->assertSee('below the lowest price');
        $this->as('101')->does('post')->assertOk();
    }

    public function test_an_approver_has_a_ceiling_and_beyond_it_the_next_role(): void
    {
        $this->add('4000 x LH-1140');
        $this->does("lines/{$this->lineId()}", ['price' => '1.00', ...$this->approval()])
            ->assertStatus(422)
            ->assertSee('Somebody of the office can approve');
        $this->does("lines/{$this->lineId()}", [
            'price' => '1.00',
            ...$this->approval(),
            'approver' => '301',
            'approver_pin' => '4301',
        ])->assertOk();
    }

    public function test_an_approval_is_of_its_line_and_its_slip(): void
    {
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '2.50', ...$this->approval()])
            ->assertOk();
        $this->does("lines/{$this->lineId()}/remove")->assertOk();
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '2.50'])
            ->assertStatus(422);
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')
            ->does("lines/{$this->lineId()}", ['price' => '2.50'])
            ->assertStatus(422);
    }

    public function test_one_off_lines_given_away_or_at_any_price_are_asked_about(): void
    {
        $oneOff = fn (string $price, string $quantity = '1') => $this->does('one-off', [
            'description' => 'Odd lot',
            'quantity' => $quantity,
            'price' => $price,
            'department_id' => 1,
            'tax_class' => 'standard',
        ])->assertOk();
        $oneOff('0');
        $this->does('post')->assertStatus(422)->assertSee('is given away');
        $this->approve("line.{$this->lineId()}")->assertOk();
        $this->does("lines/{$this->lineId()}", ['quantity' => '9'])->assertOk();
        $this->does('post')->assertStatus(422);
        $this->does("lines/{$this->lineId()}/remove")->assertOk();
        $oneOff('30');
        $this->does('post')->assertStatus(422)->assertSee('left to pay');
        $this->does("lines/{$this->lineId()}", ['discount' => '60 %'])
            ->assertStatus(422)
            ->assertSee('less than half');
        $this->slip = (string) Str::uuid();
        $oneOff('300');
        $oneOff('300');
        $this->pays();
        $this->does('post')->assertStatus(422)->assertSee('one-off lines come to more than 500.00');
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_one_off_return_approved_for_one_does_not_hold_for_a_thousand(): void
    {
        $this->does('back/one-off', [
            'description' => 'Odd bracket',
            'quantity' => '1',
            'price' => '2.00',
            'department_id' => 1,
            'tax_class' => 'standard',
            'reason' => 'not_needed',
        ])->assertOk();
        $this->approve("back.{$this->backLine()}")->assertOk();
        $this->does("back/{$this->backLine()}", ['quantity' => '1000'])->assertOk();
        $this->refund('gift_card')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('not in the list');
        $this->approve()->assertStatus(422)->assertSee('Somebody of the office can approve');
    }

    public function test_a_policy_exception_for_one_does_not_hold_for_more_and_the_fee_can_still_be_let_off(): void
    {
        $policy = ReturnPolicy::query()->create([
            'name' => 'Never',
            'returnable' => false,
            'days' => null,
            'fee_percent' => '15',
            'words' => '',
        ]);
        DB::table('items')
            ->where('code', 'PI-2800')
            ->update(['return_policy_id' => $policy->id]);
        $sale = $this->sell('9 x PI-2800');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->approve("back.{$this->backLine()}")
            ->assertOk()
            ->assertSee('Let the fee off');
        $this->does("back/{$this->backLine()}", ['quantity' => '9'])
            ->assertOk()
            ->assertSee('no longer covers it');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('not taken back');
        $this->does("back/{$this->backLine()}", ['quantity' => '1'])->assertOk();
        $this->does("back/{$this->backLine()}/waive", ['waive' => '1'])->assertStatus(422);
        $this->does("back/{$this->backLine()}/waive", ['waive' => '1', ...$this->approval()])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(-1788, $this->creditNote()->total->minor);
        $this->assertProves();
    }

    public function test_faulty_goods_carry_no_restocking_fee(): void
    {
        $policy = ReturnPolicy::query()->create([
            'name' => 'Usual',
            'returnable' => true,
            'days' => null,
            'fee_percent' => '15',
            'words' => '',
        ]);
        DB::table('shop')->update(['return_policy_id' => $policy->id]);
        $sale = $this->sell('2 x PI-2800');
        $this->back($sale, [1 => '1'], reason: 'faulty')
            ->assertOk()
            ->assertDontSee('Restocking fee');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(-1788, $this->creditNote()->total->minor);
    }

    public function test_goods_set_aside_are_let_go_to_the_piece(): void
    {
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->readyToHold('2000', '40 x MA-0031');
        $this->pays();
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $this->add('11 x MA-0031');
        $this->pays();
        $this->approve("line.{$this->lineId()}.committed")->assertOk();
        $this->does("lines/{$this->lineId()}", ['quantity' => '40'])
            ->assertOk()
            ->assertSee('no longer covers it');
        $this->does('post')->assertStatus(422)->assertSee('set aside for others');
        $this->does("lines/{$this->lineId()}", ['quantity' => '11'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_small_deposit_approved_for_few_goods_does_not_hold_for_many(): void
    {
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->readyToHold('0.10', 'LH-1140');
        $this->approve('hold')->assertOk();
        $this->add('15 x MA-0031');
        $this->pays();
        $this->does('post')->assertStatus(422)->assertSee('The deposit is at least');
        $this->approve('hold')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(1, Layaway::query()->count());
        $this->assertProves();
    }

    public function test_a_buyer_who_was_allowed_is_not_another_buyer_and_an_unnamed_one_is_asked_for(): void
    {
        $customer = $this->account();
        $odo = Contact::query()->create([
            'customer_id' => $customer->id,
            'name' => 'Odo',
            'may_buy' => true,
            'spending_limit' => Money::of('1.00', Currency::of('USD')),
            'active' => true,
        ]);
        $una = Contact::query()->create([
            'customer_id' => $customer->id,
            'name' => 'Una',
            'may_buy' => false,
            'spending_limit' => null,
            'active' => true,
        ]);
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add('LH-1140')
            ->does('charge', ['rest' => '1'])
            ->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Say who it is');
        $this->does('party', ['contact' => (string) $odo->id])->assertOk();
        $this->approve('charge')->assertOk();
        $this->does('party', ['contact' => (string) $una->id])
            ->assertOk()
            ->assertSee('Una');
        $this->does('post')->assertStatus(422)->assertSee('Una may not buy');
        $this->does('party', ['contact' => (string) $odo->id])->assertOk();
        $this->add('LH-1141')
            ->does('charge', ['rest' => '1'])
            ->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('may not spend that much');
        DB::table('house_accounts')->update(['buyer' => 'optional']);
        $this->does('party', ['contact' => ''])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_nobody_approves_their_own_in_the_database_either(): void
    {
        $this->expectException(QueryException::class);
        DB::table('approvals')->insert([
            'asked_by' => 1,
            'approved_by' => 1,
            'what' => 'below_floor',
            'detail' => '',
            'reason' => 'x',
        ]);
    }
}
