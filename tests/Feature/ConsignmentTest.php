<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Catalogue\Item;
use Elmstone\Consignment\OwnerAccount;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Goods that belong to others: sold, brought back, settled once, given back; never worth anything in inventory. */
final class ConsignmentTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private Supplier $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = Supplier::query()->create(['code' => 'WREN', 'name' => 'Wren Pottery', 'version' => 1]);
        $this->as('301')->post('/owners/WREN/terms', ['owner_percent' => '60', 'card_fee_percent' => '2'])
            ->assertSessionHasNoErrors();
        self::make('WR-1', 'Glazed bowl', '40.00');
    }

    /** Something that nothing is on hand of. */
    private static function make(string $code, string $description, string $price): void
    {
        Item::query()->create([
            'code' => $code, 'description' => $description, 'department_id' => 1, 'unit' => 'each', 'price_per' => 1,
            'list_price' => $price, 'floor_price' => '25', 'cost' => '0', 'tax_class' => 'standard',
            'may_discount' => true, 'net_price' => false, 'active' => true,
        ]);
    }

    private static function item(string $code = 'WR-1'): Item
    {
        return Item::query()->where('code', $code)->sole();
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function owner(string $act, array $fields, string $by = '301'): TestResponse
    {
        return $this->as($by)->from('/owners/WREN')->post("/owners/WREN/{$act}", [
            'key' => (string) Str::uuid(), ...$fields,
        ]);
    }

    private function theirs(string $quantity = '10'): void
    {
        $this->owner('items', ['code' => 'WR-1'])->assertSessionHasNoErrors();
        $this->owner('take-in', ['quantity' => [self::item()->id => $quantity]])->assertSessionHasNoErrors();
    }

    /** @phpstan-impure */
    private function owed(): OwnerAccount
    {
        return OwnerAccount::until($this->owner->refresh(), CarbonImmutable::today(), app(House::class));
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function settle(array $with = [], string $by = '901'): TestResponse
    {
        return $this->owner('settle', [
            'until' => CarbonImmutable::today()->format('Y-m-d'), 'way' => 'bank_transfer',
            'seen' => $this->owed()->payable()->toString(), ...$with,
        ], $by);
    }

    /** @return array<string, int> minor units debited, below zero credited, by account */
    private static function journal(Document $document): array
    {
        return DB::table('journal_lines')->where('document_id', $document->id)
            ->selectRaw('account, CAST(SUM(debit - credit) AS SIGNED) AS amount')->groupBy('account')
            ->pluck('amount', 'account')->all();
    }

    private static function onHand(): string
    {
        $there = (string) DB::table('stock')->where('item_id', self::item()->id)->value('on_hand');

        return rtrim(rtrim($there, '0'), '.');
    }

    public function test_what_is_sold_gives_the_owner_their_share_and_moves_no_inventory(): void
    {
        $this->theirs();
        $this->as('101');
        $sale = $this->sell('3 x WR-1');
        $journal = self::journal($sale);
        self::assertSame([7200, -7200], [$journal['cost_of_goods'], $journal['owed_to_owners']]);
        self::assertArrayNotHasKey('inventory', $journal);
        self::assertSame(7200, $sale->lines->sole()->cost->minor);
        self::assertSame('7', self::onHand());
        $this->as('301')->get('/owners')->assertSee('Wren Pottery')->assertSee('72.00');
        $this->get('/owners/WREN')->assertSee($sale->label)->assertSee('Glazed bowl');
        $this->assertProves();
    }

    public function test_discounts_come_off_before_the_share_and_the_owners_lowest_price_is_a_floor(): void
    {
        $this->theirs();
        $this->as('101')->add('WR-1');
        $this->does('discount', ['discount' => '10 %'])->assertOk();
        $this->does('cash', ['cash' => '100'])->assertOk();
        $this->does('post')->assertOk();
        self::assertSame('21.60', $this->owed()->shares->toString());
        $this->slip = (string) Str::uuid();
        $this->add('WR-1')->does("lines/{$this->lineId()}", ['price' => '24'])->assertSee('A supervisor can approve');
        $this->assertProves();
    }

    public function test_what_comes_back_takes_its_share_back_also_after_it_was_settled(): void
    {
        $this->theirs();
        $this->as('101');
        $sale = $this->sell('3 x WR-1');
        $this->settle()->assertSessionHasNoErrors();
        self::assertSame([], $this->owed()->lines);
        $this->slip = (string) Str::uuid();
        $this->as('201')->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->approve('', ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'seen']);
        $this->does('post')->assertOk();
        self::assertSame('-24.00', $this->owed()->payable()->toString());
        self::assertSame('8', self::onHand());
        $this->as('301')->get('/owners/WREN')->assertSee('They owe, carried on');
        $this->assertRefused('Nothing is to be paid to Wren Pottery yet', $this->settle(['seen' => '0']));
        $this->as('101');
        $this->sell('2 x WR-1');
        self::assertSame('24.00', $this->owed()->payable()->toString());
        $this->settle()->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_card_costs_are_passed_on_where_cards_paid(): void
    {
        $this->theirs();
        $this->as('101')->add('WR-1');
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $this->sell('WR-1');
        // 2 % of the 40.00 that a card paid; the other was paid in cash.
        self::assertSame(['48.00', '0.80', '47.20'], [
            $this->owed()->shares->toString(),
            $this->owed()->fees->toString(),
            $this->owed()->payable()->toString(),
        ]);
        $this->settle()->assertSessionHasNoErrors();
        $paid = Document::query()->where('purpose', 'owner_paid')->sole();
        self::assertEqualsCanonicalizing(
            ['owed_to_owners' => 4800, 'card_fees' => -80, 'bank' => -4720],
            self::journal($paid),
        );
        $this->get('/owners/WREN/settlements/'.DB::table('owner_settlements')->value('id'))
            ->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $this->assertProves();
    }

    public function test_a_settlement_is_kept_as_store_credit_of_who_they_are_as_a_customer(): void
    {
        $this->theirs();
        $this->as('101');
        $this->sell('WR-1');
        $this->settle(['way' => 'store_credit'])->assertSessionHasErrors('way');
        $customer = $this->customer('Wren');
        $this->owner('terms', [
            'owner_percent' => '60', 'card_fee_percent' => '', 'customer' => (string) $customer->number,
        ])->assertSessionHasNoErrors();
        $this->owner('terms', ['owner_percent' => '60', 'customer' => '99999'])->assertSessionHasErrors('customer');
        $this->settle(['way' => 'store_credit'])->assertSessionHasNoErrors();
        self::assertSame(2400, (int) DB::table('held_accounts')->where('customer_id', $customer->id)->sum('balance'));
        $this->assertProves();
    }

    public function test_it_is_settled_once_and_by_what_was_seen(): void
    {
        $this->theirs();
        $this->as('101');
        $this->sell('WR-1');
        $seen = $this->owed()->payable()->toString();
        $this->as('101');
        $this->sell('WR-1');
        $this->assertRefused('meanwhile', $this->settle(['seen' => $seen]));
        $key = (string) Str::uuid();
        $seen = $this->owed()->payable()->toString();
        $this->settle(['key' => $key])->assertSessionHasNoErrors();
        $this->settle(['key' => $key, 'seen' => $seen])->assertSessionHasNoErrors();
        $this->assertRefused('Nothing is to be paid', $this->settle(['seen' => $seen]));
        self::assertSame(1, $this->rows('owner_settlements'));
        $this->settle(['until' => CarbonImmutable::tomorrow()->format('Y-m-d')])->assertSessionHasErrors('until');
        $this->assertProves();
    }

    public function test_more_than_somebody_may_hand_out_takes_another_person(): void
    {
        $this->theirs('100');
        $this->as('101');
        $this->does('customer', ['customer' => (string) $this->account('90000.00')->id]);
        $this->add('90 x WR-1');
        $this->does('charge', ['charge' => '3960'])->assertOk();
        $this->does('post')->assertOk();
        $this->settle(['way' => 'cash'], '201')->assertSessionHasErrors();
        self::assertSame(0, $this->rows('owner_settlements'));
        $this->as('101')->post('/owners/WREN/settle', [])->assertForbidden();
    }

    public function test_what_is_there_cannot_change_hands_and_theirs_never_costs_anything(): void
    {
        $this->owner('items', ['code' => 'LH-1140'])->assertSessionHasErrors('code');
        self::assertNull(self::item('LH-1140')->owner_id);
        $this->theirs();
        $this->owner('items', ['code' => 'WR-1', 'ours' => '1'])->assertSessionHasErrors('code');
        $this->owner('items', ['code' => 'WR-1', 'percent' => '55'])->assertSessionHasNoErrors();
        self::assertSame('55.0000', self::item()->owner_percent);
        $this->owner('items', ['code' => 'NO-SUCH'])->assertSessionHasErrors('code');
        $this->owner('items', ['code' => 'WR-1', 'percent' => '101'])->assertSessionHasErrors('percent');
        $this->assertProves();
    }

    public function test_another_share_of_everything_goes_to_the_items_that_had_it(): void
    {
        $this->theirs();
        self::make('WR-2', 'Glazed jug', '60');
        $this->owner('items', ['code' => 'WR-2', 'percent' => '70']);
        $this->owner('terms', ['owner_percent' => '65', 'card_fee_percent' => '0']);
        self::assertSame(['65.0000', '70.0000'], [self::item()->owner_percent, self::item('WR-2')->owner_percent]);
        $this->assertRefused('still belong to them', $this->owner('terms', ['owner_percent' => '']));
    }

    public function test_unsold_goods_go_back_and_no_more_than_are_there(): void
    {
        $this->theirs();
        $this->assertRefused('Only 10 of WR-1', $this->owner('give-back', ['quantity' => [self::item()->id => '11']]));
        $this->owner('give-back', ['quantity' => [self::item()->id => 'x']])
            ->assertSessionHasErrors('quantity.'.self::item()->id);
        $this->assertRefused('at least one item', $this->owner('give-back', ['quantity' => []]));
        $other = self::item('LH-1140')->id;
        $this->assertRefused('does not belong to', $this->owner('give-back', ['quantity' => [$other => '1']]));
        $this->owner('give-back', ['quantity' => [self::item()->id => '10']])->assertSessionHasNoErrors();
        self::assertSame('0', self::onHand() === '' ? '0' : self::onHand());
        $this->owner('items', ['code' => 'WR-1', 'ours' => '1'])->assertSessionHasNoErrors();
        self::assertNull(self::item()->owner_id);
        $this->assertProves();
    }

    public function test_a_thing_of_theirs_in_no_list_is_sold_at_the_counter(): void
    {
        $fields = [
            'description' => 'Old vase', 'quantity' => '1', 'price' => '30', 'department_id' => '1',
            'tax_class' => 'standard',
        ];
        $this->as('101')->does('one-off', [...$fields, 'owner' => 'NOBODY'])->assertStatus(422)
            ->assertSee('No owner of goods has the code');
        $this->does('one-off', [...$fields, 'owner' => 'WREN'])->assertOk();
        $this->does('cash', ['cash' => '50']);
        $this->as('201')->does('cash', ['cash' => '50']);
        $this->does('post')->assertOk();
        self::assertSame('18.00', $this->owed()->payable()->toString());
        $this->assertProves();
    }

    public function test_labels_are_one_for_each_piece_that_is_there(): void
    {
        $this->theirs('4');
        $this->get('/labels?from=owner&code=WREN')->assertSee('4 x WR-1');
    }

    public function test_a_proof_finds_a_share_that_is_not_what_was_agreed(): void
    {
        $this->theirs();
        $this->as('101');
        $this->sell('WR-1');
        DB::unprepared('DROP TRIGGER document_consigned_no_update');
        DB::table('document_consigned')->update(['percent' => '61']);
        self::assertNotSame([], app(\Elmstone\Books\Proof\Prove::class)->handle()->faults);
    }
}
