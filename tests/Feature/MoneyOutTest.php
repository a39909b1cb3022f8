<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Contact;
use Elmstone\Held\Cards\GiftCard;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Whatever leaves the house is money out: one set of limits, counted per original and per person and day, whatever page
 * it leaves from.
 */
final class MoneyOutTest extends FeatureCase
{
    use Layaways;
    use Returning;

    /** @param  array<string, int|null>  $limit */
    private function limit(string $role, string $matter, array $limit): void
    {
        DB::table('role_limits')->upsert(
            [
                [
                    'role' => $role,
                    'matter' => $matter,
                    'per_document' => null,
                    'per_original' => null,
                    'per_day' => null,
                    'approves' => 0,
                    ...$limit,
                ],
            ],
            ['role', 'matter'],
        );
        app()->forgetScopedInstances();
    }

    private function itemId(string $code): int
    {
        return (int) DB::table('items')->where('code', $code)->value('id');
    }

    public function test_goods_without_a_receipt_onto_a_gift_card_are_never_a_clerks_own_matter(): void
    {
        $this->does('back/blind', [
            'item' => $this->itemId('MA-0031'),
            'quantity' => '50',
            'reason' => 'damaged',
            'goods_to' => 'written_off',
        ])->assertOk();
        $this->refund('gift_card')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('without a receipt');
        $this->approve()->assertStatus(422)->assertSee('may not approve');
        $this->approve('', ['approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'flood'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_nor_in_an_exchange(): void
    {
        $this->does('back/blind', ['item' => $this->itemId('LH-1140'), 'reason' => 'not_needed'])->assertOk();
        $this->add('2 x LH-1140')
            ->does('cash', ['cash' => '10'])
            ->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('without a receipt');
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
    }

    public function test_anybodys_cash_sale_found_by_item_needs_the_receipt_or_approval(): void
    {
        $sale = $this->sell('LH-1140');
        $this->slip = (string) Str::uuid();
        $this->does('back', [
            'back' => ["{$sale->id}:1" => '1'],
            'reason' => 'not_needed',
            'found_by' => 'limestone hook',
        ])
            ->assertOk()
            ->assertSee('no receipt was shown');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('no receipt was shown');
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_the_limit_is_of_the_original_and_not_of_the_slip(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('8 x MA-0031')
            ->does('cash', ['cash' => '900'])
            ->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')
            ->assertStatus(422)
            ->assertSee("more than 200.00 of {$sale->label} is handed back in cash");
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_and_of_the_person_and_the_day(): void
    {
        $this->limit('clerk', 'cash', ['per_document' => 20_000, 'per_original' => 20_000, 'per_day' => 25_000]);

        foreach ([0, 1, 2] as $i) {
            $sale = $this->sell('MA-0031');
            $this->back($sale, [1 => '1'])->assertOk();
            $this->refund('cash')->assertOk();
            $posted = $this->does('post');
            $i < 2
                ? $posted->assertOk()
                : $posted->assertStatus(422)->assertSee('With what Clerk Clay handed out that day');
        }

        $this->as('201')->does('post')->assertOk();
    }

    public function test_a_charge_exchanged_evenly_does_not_become_store_credit(): void
    {
        $customer = $this->account();
        $label = $this->charge($customer, 'MA-0031');
        $this->back($this->document(), [1 => '1'])->assertOk();
        $this->add('MA-0031');
        $this->does('post')->assertStatus(422)->assertSee('103.40 is left to pay');
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $second = $this->document();
        $this->assertSame([0, 10340], [$this->open($label), $this->balance($customer)]);
        $this->back($second, [1 => '1'])
            ->assertOk()
            ->assertSee('all of it was charged to the account');
        $this->refund('store_credit')->assertStatus(422);
        $this->does('post')->assertOk();
        $this->assertSame([0, 0], [$this->balance($customer), Held::of(HeldKind::StoreCredit)]);
        $this->assertProves();
    }

    public function test_gift_cards_are_not_bought_with_gift_cards(): void
    {
        $this->does('gift-cards', ['worth' => '50', 'code' => ''])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $card = GiftCard::query()->sole();
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')
            ->does('gift-cards', ['worth' => '20', 'code' => ''])
            ->assertOk();
        $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('not bought with gift cards')->assertSee('4.24');
        $this->does('gift-cards/use/0', ['amount' => '4.24'])->assertOk();
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_gift_cards_worth_has_a_most_topping_up_too(): void
    {
        $this->does('gift-cards', ['worth' => '501', 'code' => ''])
            ->assertOk()
            ->assertSee('500.00 at most');
        $this->does('cash', ['cash' => '600'])->assertOk();
        $this->does('post')->assertStatus(422);
        $this->does('gift-cards/0/drop')->assertOk();
        $this->does('gift-cards', ['worth' => '400', 'code' => ''])->assertOk();
        $this->does('post')->assertOk();
        $card = GiftCard::query()->sole();
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '200', 'code' => $this->numberOf($card)])->assertOk();
        $this->does('cash', ['cash' => '600'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('500.00 at most');
        $this->approve('gift-card.0')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(60_000, $card->refresh()->balance()->minor);
    }

    public function test_goodwill_takes_another_person_and_has_a_most_however_it_is_split(): void
    {
        $customer = $this->account();
        $form = fn (string $amount, string $approver): array => [
            'key' => (string) Str::uuid(),
            'amount' => $amount,
            'department_id' => '',
            'tax_class' => '',
            'note' => 'sorry',
            'way' => 'gift_card',
            'approver' => $approver,
            'approver_pin' => "4{$approver}",
            'approver_reason' => 'x',
        ];
        $post = fn (string $amount, string $approver) => $this->as('201')->post(
            "/customers/{$customer->number}/credit",
            $form($amount, $approver),
        );
        $post('90000', '201')->assertSessionHasErrors();
        $post('90000', '301')->assertSessionHasErrors();
        $post('90', '201')->assertSessionHasErrors();
        $post('90', '301')->assertSessionHasNoErrors();
        $this->assertSame(9000, Held::of(HeldKind::GiftCard));
        $this->assertProves();
    }

    public function test_store_credit_in_cash_has_a_most(): void
    {
        $customer = $this->customer('Wren Hollis');
        $sale = $this->sellTo($customer, '2 x MA-0031');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->refund('store_credit')->assertOk();
        $this->does('post')->assertOk();
        $form = fn (string $amount): array => [
            'key' => (string) Str::uuid(),
            'amount' => $amount,
            'way' => 'cash',
            'reference' => '',
            'reason' => 'moving',
        ];
        $this->as('201')
            ->post("/store-credit/{$customer->number}/pay-out", $form('60'))
            ->assertSessionHasErrors();
        $this->post("/store-credit/{$customer->number}/pay-out", $form('50'))->assertSessionHasNoErrors();
        $this->post("/store-credit/{$customer->number}/pay-out", [
            ...$form('60'),
            'approver' => '301',
            'approver_pin' => '4301',
            'approver_reason' => 'seen',
        ])->assertSessionHasNoErrors();
        $this->assertSame(20_680 - 11_000, Held::of(HeldKind::StoreCredit));
        $this->assertProves();
    }

    public function test_a_void_that_stays_open_takes_nothing_else_with_it(): void
    {
        $sale = $this->sellByCard('LH-1140');
        $other = $this->sell('MA-0031');
        $this->terminal('decline');
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $this->slip = (string) DB::table('slips')->where('void_of_id', $sale->id)->value('key');
        $this->does('back', [
            'back' => ["{$other->id}:1" => '1'],
            'reason' => 'not_needed',
            'found_by' => $other->label,
        ])
            ->assertStatus(422)
            ->assertSee('takes a sale back whole');
        $this->does('back/blind', ['item' => $this->itemId('MA-0031'), 'reason' => 'not_needed'])->assertStatus(422);
        $this->does('add', ['entry' => 'LH-1140'])->assertStatus(422);
        $this->does("back/{$this->backLine()}", ['quantity' => '9'])->assertStatus(422);
        $this->does('refund/other-way', ['way' => 'cash', ...$this->approval('card closed')])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(-424, $this->creditNote()->total->minor);
        $this->assertProves();
    }

    public function test_money_by_another_way_needs_approval_and_is_no_more_than_came_in(): void
    {
        $sale = $this->sellByCard('2 x LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash', '4.24')->assertStatus(422);
        $this->does('refund/other-way', ['way' => 'cash'])->assertStatus(422);
        $this->does('refund/other-way', ['way' => 'card', ...$this->approval()])->assertStatus(422);
        $this->does('refund/other-way', ['way' => 'cash', ...$this->approval('card was closed')])
            ->assertOk()
            ->assertSee('did not come in that way');
        $this->does("back/{$this->backLine()}", ['quantity' => '2'])->assertOk();
        $this->does('refund/other-way', ['way' => 'cash', ...$this->approval('card was closed')])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            ['cash' => 847],
            $this->creditNote()
                ->tenders->mapWithKeys(static fn ($tender): array => [$tender->kind->value => $tender->amount->minor])
                ->all(),
        );
        $this->assertProves();
    }

    public function test_serial_numbers_that_come_back_are_ones_that_left(): void
    {
        DB::table('items')
            ->where('code', 'MA-0031')
            ->update(['has_serials' => true]);
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->readyToHold('50', 'MA-0031');
        $this->does("lines/{$this->lineId()}", ['serials' => 'ts-9'])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $this->does('back/blind', ['item' => $this->itemId('MA-0031'), 'reason' => 'not_needed'])->assertOk();
        $this->refund('gift_card')->assertOk();
        $this->approve()->assertOk();
        $this->does("back/{$this->backLine()}", ['serials' => 'ts-9'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('did not leave the house');
        $this->approve()->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('set aside for a customer');
        $this->does("back/{$this->backLine()}", ['serials' => 'ZZ-1, ZZ-2'])->assertOk();
        $this->approve()->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('1 of them, but 2 serial');
        $this->does("back/{$this->backLine()}", ['serials' => 'ZZ-1'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('did not leave the house');
        $this->approve()->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            ['TS-9' => 'aside', 'ZZ-1' => 'in'],
            DB::table('item_serials')->orderBy('serial')->pluck('state', 'serial')->all(),
        );
        $this->assertProves();
    }

    public function test_limits_are_the_owners_to_set(): void
    {
        $this->get('/limits')->assertForbidden();
        $this->as('901')->get('/limits?role=supervisor')->assertOk()->assertSee('Cash handed out');
        $rows = ['cash' => ['per_document' => '10', 'per_original' => '', 'per_day' => '', 'approves' => '0']];
        $this->post('/limits/clerk', [...$rows, 'cheque' => ['per_document' => 'ten']])->assertSessionHasErrors(
            'cheque.per_document',
        );
        $this->post('/limits/clerk', $rows)->assertSessionHasNoErrors();
        $this->assertSame(
            [1000, null],
            array_values(
                (array) DB::table('role_limits')
                    ->where(['role' => 'clerk', 'matter' => 'cash'])
                    ->first(['per_document', 'per_day']),
            ),
        );
    }

    public function test_a_slip_with_figures_out_of_all_reason_still_shows_and_can_be_mended(): void
    {
        $this->add('LH-1140');
        DB::table('slips')
            ->where('key', $this->slip)
            ->update(['cash' => 9_999_999_999_999_999, 'cheque' => 900_719_925_474_099_299]);
        $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('LH-1140');
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->does('cheque', ['cheque' => '', 'cheque_number' => ''])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_no_amount_is_above_the_shops_largest(): void
    {
        $this->add('LH-1140')
            ->does('cash', ['cash' => '2000000000'])
            ->assertStatus(422)
            ->assertSee('No amount here is above 1000000.00');
        $this->does('cash', ['cash' => '4111111111111111'])->assertStatus(422);
        $this->does("lines/{$this->lineId()}", ['price' => '4111111111111111'])->assertStatus(422);
        $this->does("lines/{$this->lineId()}", ['price' => '2000000'])
            ->assertStatus(422)
            ->assertSee('No amount here is above');
        $this->does('one-off', [
            'description' => 'Odd lot',
            'quantity' => '1',
            'price' => '4111111111111111',
            'department_id' => 1,
            'tax_class' => 'standard',
        ])->assertStatus(422);
        $this->get("/counter/{$this->slip}")->assertOk();
        $this->get('/counter')->assertRedirect();
    }

    public function test_a_type_that_lowers_prices_is_not_a_clerks_to_give_nor_are_buyers_rights(): void
    {
        $type = (int) DB::table('customer_types')->insertGetId(['name' => 'Trade', 'discount_percent' => '20']);
        $this->does('new-customer', ['name' => 'Made Up Ltd', 'kind' => 'firm', 'customer_type_id' => $type])
            ->assertStatus(422)
            ->assertSee('A type changes prices');
        $this->does('new-customer', [
            'name' => 'Made Up Ltd',
            'kind' => 'firm',
            'customer_type_id' => $type,
            ...$this->approval(),
        ])->assertOk();
        $this->assertSame($type, (int) DB::table('customers')->value('customer_type_id'));
        $customer = $this->account();
        $odo = Contact::query()->create([
            'customer_id' => $customer->id,
            'name' => 'Odo',
            'may_buy' => true,
            'spending_limit' => Money::of('1.00', Currency::of('USD')),
            'active' => true,
        ]);
        $form = fn (array $contacts): array => [
            'name' => $customer->name,
            'kind' => 'firm',
            'country' => 'US',
            'version' => $customer->refresh()->version,
            'contacts' => $contacts,
            'customer_type_id' => $type,
        ];
        $this->post(
            "/customers/{$customer->number}",
            $form([['name' => 'Una', 'may_buy' => '1', 'spending_limit' => '']]),
        )->assertSessionHasNoErrors();
        $this->assertSame(
            [['Odo', true, '1.00', true], ['Una', false, null, true]],
            Contact::query()
                ->where('customer_id', $customer->id)
                ->orderBy('id')
                ->get()
                ->map(
                    static fn (Contact $one): array => [
                        $one->name,
                        $one->may_buy,
                        $one->spending_limit?->toString(),
                        $one->active,
                    ],
                )
                ->all(),
        );
        $this->assertNull($customer->refresh()->customer_type_id);
        $this->as('301')
            ->post(
                "/customers/{$customer->number}",
                $form([['id' => (string) $odo->id, 'name' => 'Odo', 'may_buy' => '1', 'spending_limit' => '5000']]),
            )
            ->assertSessionHasNoErrors();
        $this->assertSame('5000.00', $odo->refresh()->spending_limit?->toString());
        $this->assertStringContainsString(
            'Odo: may buy up to 5000.00',
            (string) DB::table('customer_changes')->where('what', 'who may buy')->latest('id')->value('after'),
        );
    }

    public function test_a_receipt_of_today_is_taken_back_with_all_it_moved(): void
    {
        $customer = $this->account();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('deposit', ['deposit_in' => '20', 'deposit_for' => ''])->assertOk();
        $this->does('on-account', ['on_account' => '30'])->assertOk();
        $this->does('gift-cards', ['worth' => '10', 'code' => ''])->assertOk();
        $this->does('card', ['card' => '25'])->assertOk();
        $this->does('cash', ['cash' => '35'])->assertOk();
        $this->does('post')->assertOk();
        $receipt = $this->document();
        $this->post("/documents/{$receipt->label}/reverse", ['reason' => 'wrong customer'])->assertSessionHasErrors();
        $this->post("/documents/{$receipt->label}/reverse", [
            'reason' => 'wrong customer',
            ...$this->approval(),
        ])->assertSessionHasNoErrors();
        $this->post("/documents/{$receipt->label}/reverse", [
            'reason' => 'wrong customer',
            ...$this->approval(),
        ])->assertSessionHasNoErrors();
        $refund = Document::query()->with('tenders')->where('purpose', 'receipt_reversed')->sole();
        $this->assertSame(
            ['card' => 2500, 'cash' => 3500],
            $refund->tenders
                ->mapWithKeys(static fn ($tender): array => [$tender->kind->value => $tender->amount->minor])
                ->sortKeys()
                ->all(),
        );
        $this->assertSame(
            [0, 0, 0],
            [
                $this->balance($customer),
                Held::of(HeldKind::Deposit),
                Held::of(HeldKind::GiftCard),
            ],
        );
        $this->assertSame(1, DB::table('printed_papers')->where('title', $refund->label)->count());
        $this->assertProves();
    }

    public function test_what_is_used_already_is_not_taken_back_whole(): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '10', 'code' => ''])->assertOk();
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();
        $receipt = $this->document();
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140', $this->numberOf((int) DB::table('gift_cards')->value('id')))->does('post')->assertOk();
        $this->post("/documents/{$receipt->label}/reverse", [
            'reason' => 'x',
            ...$this->approval(),
        ])->assertSessionHasErrors();
        $this->assertSame(0, Document::query()->where('purpose', 'receipt_reversed')->count());
    }

    public function test_a_cheque_that_paid_a_walk_in_sale_in_part_becomes_a_claim(): void
    {
        $this->add('MA-0031')
            ->does('cheque', ['cheque' => '100', 'cheque_number' => '77'])
            ->assertOk();
        $this->does('cash', ['cash' => '3.40'])->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $form = ['key' => (string) Str::uuid(), 'fee' => '15', 'reason' => 'no cover'];
        $this->as('301')
            ->post("/documents/{$sale->label}/returned", $form)
            ->assertSessionHasErrors();
        $this->post("/documents/{$sale->label}/returned", [
            'owes' => 'Wren Hollis',
            ...$form,
        ])->assertSessionHasNoErrors();
        $this->assertSame(
            [11_500, 1],
            [(int) DB::table('house_accounts')->value('balance'), (int) DB::table('house_accounts')->value('stopped')],
        );
        $this->assertProves();
        $this->as('101')
            ->back($sale, [1 => '1'])
            ->assertOk();
        $this->refund('cash', '3.40')->assertOk();
        $this->refund('cash', '3.41')->assertStatus(422);
    }

    public function test_a_write_off_is_held_against_the_books_and_can_be_taken_back(): void
    {
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->hold('25', 'MA-0031');
        $this->as('201');
        $key = (string) Str::uuid();
        $form = fn (string $code, string $quantity, array $more = []): array => [
            'key' => $key,
            'rows' => [['code' => $code, 'quantity' => $quantity, 'reason' => 'broken']],
            'note' => '',
            ...$more,
        ];
        $this->post('/write-offs', $form('LH-1140', '9999'))->assertSessionHasErrors([
            'refused' => 'LH-1140 “Limestone hook, plain, 140 mm”: 9999 are written off, but there are 50 by the '
                .'books. Somebody of the office can approve.',
        ]);
        $this->post('/write-offs', $form('MA-0031', '50'))->assertSessionHasErrors();
        $this->post('/write-offs', $form('MA-0031', '12'))->assertSessionHasErrors();
        $this->post(
            '/write-offs',
            $form('MA-0031', '12', ['approver' => '201', 'approver_pin' => '4201', 'approver_reason' => 'x']),
        )->assertSessionHasErrors();
        $this->post(
            '/write-offs',
            $form('MA-0031', '12', [
                'approver' => '301',
                'approver_pin' => '4301',
                'approver_reason' => 'the roof came down',
            ]),
        )->assertSessionHasNoErrors();
        $writeOff = Document::query()->where('purpose', 'write_off')->sole();
        $this->assertProves();
        $this->post("/write-offs/{$writeOff->label}/take-back", ['reason' => ''])->assertSessionHasErrors();
        $this->post("/write-offs/{$writeOff->label}/take-back", [
            'reason' => 'found behind the shed',
        ])->assertSessionHasNoErrors();
        $this->post("/write-offs/{$writeOff->label}/take-back", [
            'reason' => 'found behind the shed',
        ])->assertSessionHasNoErrors();
        $this->assertSame(
            [1, '50'],
            [Document::query()->where('purpose', 'write_off_back')->count(), $this->onHand('MA-0031')],
        );
        $this->assertSame(
            0,
            (int) DB::table('journal_lines')->where('account', 'written_off')->sum(DB::raw('debit - credit')),
        );
        $this->get('/write-offs')->assertOk()->assertSee('taken back as');
        $this->assertProves();
    }
}
