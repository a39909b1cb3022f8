<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Customers\Customer;
use Elmstone\Held\Cards\GiftCard;
use Illuminate\Support\Str;

/** Sales that were paid in several ways, several sales on one slip, and money that is taken in besides. */
final class MixedReturnTest extends FeatureCase
{
    use Returning;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account();
    }

    /**
     * 35.75, paid with 10.00 charged, 5.00 of store credit, 4.00 of a gift card, 6.00 by cheque, 3.00 by card, the rest
     * in cash.
     */
    private function mixed(): Document
    {
        $before = $this->sellTo($this->customer, '2 x LH-1141');
        $this->back($before, [1 => '2'])->assertOk();
        $this->refund('store_credit', '5.00')->assertOk();
        $this->refund('gift_card')->assertOk();
        $this->does('post')->assertOk();
        $card = GiftCard::query()->sole();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id]);
        $this->add('2 x PI-2800')
            ->does('charge', ['charge' => '10.00'])
            ->assertOk();
        $this->does('store-credit', ['rest' => '1'])->assertOk();
        $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])->assertOk();
        $this->does('gift-cards/use/0', ['amount' => '4.00'])->assertOk();
        $this->does('cheque', ['cheque' => '6.00', 'cheque_number' => '0815'])->assertOk();
        $this->does('card', ['card' => '3.00'])->assertOk();
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }

    public function test_each_way_gives_back_at_most_what_it_brought_in(): void
    {
        $sale = $this->mixed();
        $this->assertSame(
            [1000, 500, 400, 600, 300, 775],
            array_map(
                static fn (string $kind): int => (int) $sale->tenders->where('kind.value', $kind)->sum('amount.minor'),
                ['house_account', 'store_credit', 'gift_card', 'cheque', 'card', 'cash'],
            ),
        );
        $this->back($sale, [1 => '2'])
            ->assertOk()
            ->assertSee('10.00 was charged there');

        foreach (['cash' => '7.76', 'cheque' => '6.01', 'bank_transfer' => '1.00'] as $way => $amount) {
            $this->refund($way, $amount)->assertStatus(422);
        }

        $this->refund('cash', '7.75')->assertOk();
        $this->refund('cheque', '6.00')->assertOk();
        $this->does('post')->assertStatus(422);
        $this->does('refund/reference', ['back_reference' => 'our 77'])->assertOk();
        $this->does('refund/terminal', [
            'authorisation' => $sale->tenders->firstOrFail('kind.value', 'card')->authorisation,
        ])->assertOk();
        $this->refund('gift_card', '4.00')->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Say by which way 5.00 goes back');
        $this->refund('store_credit')->assertOk();
        $this->refund('store_credit', '5.01')->assertStatus(422);
        $this->does('post')->assertOk();
        $this->assertSame(0, $this->balance($this->customer));
        $this->assertSame(
            ['our 77'],
            $this->creditNote()->tenders->where('kind.value', 'cheque')->pluck('reference')->values()->all(),
        );
        $this->assertProves();
    }

    public function test_a_void_goes_back_by_all_the_ways_it_was_paid(): void
    {
        $sale = $this->mixed();
        $worth = GiftCard::query()->sole()->balance()->minor;
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $note = Document::query()->with('tenders')->where('purpose', 'void')->sole();
        $kinds = static fn (Document $document): array => $document->tenders
            ->mapWithKeys(static fn ($tender): array => [$tender->kind->value => $tender->amount->minor])
            ->sortKeys()
            ->all();
        $this->assertSame($kinds($sale), $kinds($note));
        $this->assertSame(
            [$worth + 400, 500, 0],
            [
                GiftCard::query()->sole()->balance()->minor,
                Held::of(HeldKind::StoreCredit),
                $this->balance($this->customer),
            ],
        );
        $this->assertProves();
    }

    public function test_goods_of_several_invoices_come_back_on_one_slip(): void
    {
        $charged = $this->charge($this->customer, '3 x LH-1140');
        $first = $this->document();
        $second = $this->sellTo($this->customer, '2 x PI-2800');
        $this->back($first, [1 => '3'])->assertOk();
        $this->back($second, [1 => '1'], false)
            ->assertOk()
            ->assertSee('12.71 was charged there');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $note = $this->creditNote();
        $this->assertSame(
            [null, -1271 - 1788, 0, 0],
            [$note->refers_to_id, $note->total->minor, $this->open($charged), $this->balance($this->customer)],
        );
        $this->get("/documents/{$note->label}")
            ->assertOk()
            ->assertSee($first->label)
            ->assertSee($second->label);
        $this->get("/documents/{$note->label}/invoice.xml")
            ->assertOk()
            ->assertSee($first->label)
            ->assertSee($second->label);
        $this->assertProves();
    }

    public function test_what_comes_back_pays_a_deposit_and_towards_the_account(): void
    {
        $label = $this->charge($this->customer, 'LH-1140');
        $sale = $this->sellTo($this->customer, '2 x PI-2800');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->does('deposit', ['deposit_in' => '20.00', 'deposit_for' => 'wall'])->assertOk();
        $this->does('on-account', ['on_account' => '4.24'])
            ->assertOk()
            ->assertSee('To give back');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk()->assertSee('CN-')->assertSee('RCT-');
        $this->assertSame(
            [0, 2000, 0],
            [$this->open($label), Held::of(HeldKind::Deposit), $this->balance($this->customer)],
        );
        $this->assertSame(
            [['exchange', 2424], ['cash', 3575 - 2424]],
            $this->creditNote()
                ->tenders->map(static fn ($tender): array => [$tender->kind->value, $tender->amount->minor])
                ->all(),
        );
        $this->assertProves();
    }

    public function test_an_exchange_is_charged_for_the_difference_only(): void
    {
        $this->charge($this->customer, '2 x LH-1140');
        $sale = $this->document();
        $this->back($sale, [1 => '2'])->assertOk();
        $this->add('2 x PI-2800')
            ->does('charge', ['rest' => '1'])
            ->assertOk();
        $this->assertSame(
            3575,
            $this->slip()->charge?->minor,
            'what was charged goes back to the account first, and pays for no other goods',
        );
        $this->does('charge', ['charge' => '35.76'])->assertStatus(422);
        $this->does('post')->assertOk();
        $this->assertSame(
            [3575, 0],
            [$this->balance($this->customer), $this->open($sale->label)],
            'the first invoice is settled by what came back, the new one is owed',
        );
        $this->back($sale, [1 => '1'])
            ->assertStatus(422)
            ->assertSee('came back already');
        $this->assertProves();
    }

    public function test_what_was_paid_with_goods_comes_back_as_credit_only(): void
    {
        $sale = $this->sell('2 x LH-1141');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->add('2 x LH-1140')->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->back($this->document(), [1 => '2'])->assertOk();
        $this->refund('cash', '1.00')->assertStatus(422)->assertSee('Nothing was paid this way');
        $this->refund('gift_card')->assertOk();
        $this->does('post')->assertOk();
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertSessionHasErrors();
        $this->assertProves();
    }

    public function test_the_clerk_chooses_what_the_credit_does_on_the_account(): void
    {
        $oldest = $this->charge($this->customer, 'LH-1141');
        $sale = $this->sellTo($this->customer, 'PI-2800');

        foreach (['unused' => [484, 500], 'oldest' => [0, 0]] as $choice => [$open]) {
            $this->back($sale, [1 => '0.5'])->assertOk();
            $this->refund('house_account')->assertOk()->assertSee('kept as credit');
            $this->does('refund/credit-to', ['credit_to' => $choice])->assertOk();
            $this->does('post')->assertOk();
            $this->assertSame($open, $this->open($oldest), $choice);
        }

        $this->assertProves();
    }
}
