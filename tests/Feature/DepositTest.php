<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Held\Ledger\Liability;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

final class DepositTest extends FeatureCase
{
    use Layaways;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
    }

    private function deposit(string $amount, string $for = '', ?Customer $customer = null): Document
    {
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => ($customer ?? $this->customer)->id])->assertOk();
        $this->does('deposit', ['deposit_in' => $amount, 'deposit_for' => $for])
            ->assertOk()
            ->assertSee('Take deposit');
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }

    private function held(): int
    {
        return KeptFor::ofCustomer(HeldKind::Deposit, $this->customer->id)->total()->minor;
    }

    /** @return array<array-key, int> minor units by order */
    private static function keptFor(int $customer): array
    {
        return array_map(
            static fn (Money $held): int => $held->minor,
            KeptFor::ofCustomer(HeldKind::Deposit, $customer)->parts,
        );
    }

    public function test_a_deposit_is_taken_and_no_sale(): void
    {
        $receipt = $this->deposit('80');

        $this->assertSame(
            [8000, 8000, 0, 0],
            [
                $receipt->total->minor,
                $receipt->held(HeldKind::Deposit)->minor,
                $receipt->on_account->minor,
                $receipt->tax_total->minor,
            ],
        );
        $this->assertSame(8000, $this->held());
        $this->get("/documents/{$receipt->label}/receipt")
            ->assertOk()
            ->assertSee('Deposit')
            ->assertSee('Held now');
        $this->assertProves();
    }

    public function test_it_is_used_bit_by_bit_with_what_is_left_in_sight(): void
    {
        $this->deposit('80');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])
            ->assertOk()
            ->assertSee('Deposit held')
            ->assertSee('80.00');
        $this->add('LH-1140');
        $this->does('deposit/use', ['rest' => '1'])
            ->assertOk()
            ->assertSee('75.76 stays');
        $this->does('post')->assertOk();
        $this->assertSame([7576, -424], [$this->held(), $this->document()->held(HeldKind::Deposit)->minor]);

        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add('MA-0031');
        $this->does('deposit/use', ['deposit_used' => '75.77'])
            ->assertStatus(422)
            ->assertSee('Only 75.76 is held');
        $this->does('deposit/use', ['deposit_used' => '75.76'])->assertOk();
        $this->does('cash', ['cash' => '30'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(0, $this->held());
        $this->assertSame(
            [TenderKind::DepositHeld, TenderKind::Cash],
            $this->document()->tenders->pluck('kind')->all(),
        );
        $this->assertProves();
    }

    public function test_what_is_kept_for_an_order_is_not_proposed_but_goes_when_the_clerk_says_so(): void
    {
        $this->deposit('80', 'bathroom');
        $this->deposit('20');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])
            ->assertOk()
            ->assertSee('Deposit for bathroom');
        $this->add('MA-0031');
        $this->does('deposit/use', ['rest' => '1'])->assertOk();
        $this->assertSame(2000, $this->slip()->deposit_used?->minor);
        $this->does('deposit/use', ['deposit_used' => '60'])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();

        $this->assertSame(['bathroom' => 4000], self::keptFor($this->customer->id));
        $this->assertProves();
    }

    public function test_a_deposit_pays_a_layaway(): void
    {
        $this->deposit('80');
        $this->readyToHold('30', 'MA-0031');
        $this->does('deposit/use', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $receipt = $this->document();

        $this->assertSame(
            [3000, -3000, 3000],
            [
                $receipt->total->minor,
                $receipt->held(HeldKind::Deposit)->minor,
                $receipt->held(HeldKind::Layaway)->minor,
            ],
        );
        $this->assertSame(5000, $this->held());
        $this->assertProves();
    }

    public function test_it_is_paid_back_once_and_no_more_than_is_held(): void
    {
        $this->deposit('80', 'bathroom');
        $this->deposit('20');
        $this->post("/deposits/{$this->customer->number}/pay-back")->assertForbidden();
        $this->as('201');
        $order = [
            'key' => (string) Str::uuid(),
            'amount' => '50',
            'from' => 'bathroom',
            'way' => 'cash',
            'reason' => 'order fell through',
        ];
        $this->post("/deposits/{$this->customer->number}/pay-back", [
            ...$order,
            'amount' => '100.01',
        ])->assertSessionHasErrors('refused');
        $this->post("/deposits/{$this->customer->number}/pay-back", [
            ...$order,
            'reason' => '',
        ])->assertSessionHasErrors('refused');
        $this->post("/deposits/{$this->customer->number}/pay-back", [
            ...$order,
            'way' => 'cheque',
        ])->assertSessionHasErrors('refused');
        $this->post("/deposits/{$this->customer->number}/pay-back", [
            ...$order,
            'way' => 'card',
        ])->assertSessionHasErrors('refused');
        $this->post("/deposits/{$this->customer->number}/pay-back", [
            ...$order,
            'way' => 'shells',
        ])->assertSessionHasErrors(['refused' => 'That is not a way of paying here.']);
        $this->post("/deposits/{$this->customer->number}/pay-back", $order)->assertSessionHasNoErrors();
        $this->post("/deposits/{$this->customer->number}/pay-back", $order)->assertSessionHasNoErrors();

        $this->assertSame(['' => 2000, 'bathroom' => 3000], self::keptFor($this->customer->id));
        $this->get("/deposits/{$this->customer->number}")
            ->assertOk()
            ->assertSee('Paid back, for bathroom');
        $this->assertProves();
    }

    private static function liability(int $daysAgo): Liability
    {
        return Liability::on(now()->subDays($daysAgo)->toImmutable(), HeldKind::Deposit, HeldKind::Layaway);
    }

    public function test_the_liability_is_shown_as_of_any_day(): void
    {
        $this->deposit('80');
        $this->hold('20.68', '2 x MA-0031');
        $this->travelTo(now()->addDays(3));
        $this->deposit('20');
        $before = self::liability(3);
        $now = self::liability(0);

        $this->assertSame(
            [[8000, 2068], [10000, 2068]],
            array_map(
                static fn (Liability $then): array => [
                    $then->total(HeldKind::Deposit)->minor,
                    $then->total(HeldKind::Layaway)->minor,
                ],
                [$before, $now],
            ),
        );
        $this->assertTrue(self::liability(9)->total(HeldKind::Deposit)->isZero());
        $this->get('/deposits')->assertOk()->assertSee('Wren Hollis')->assertSee('120.68');
        $this->get('/deposits?as_of=2999-01-01')->assertSessionHasErrors('as_of');
        $this->assertStringContainsString('100.00,20.68', $this->get('/deposits.csv')->streamedContent());
    }

    public function test_a_deposit_needs_a_customer_and_an_amount(): void
    {
        $this->add('LH-1140');
        $this->does('deposit', ['deposit_in' => '20'])
            ->assertStatus(422)
            ->assertSee('needs a named customer');
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->does('deposit', ['deposit_in' => '-20'])->assertStatus(422);
        $this->does('deposit', ['deposit_in' => 'twenty'])->assertStatus(422);
        $this->assertNull($this->slip()->deposit_in);
    }

    public function test_merged_customers_keep_what_was_held(): void
    {
        $this->deposit('80', 'bathroom');
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $into = $this->customer('Wren B. Hollis', ['phone' => '555 0143']);
        $this->as('301')
            ->post("/accounts/{$this->customer->number}/merge", ['into' => (string) $into->number])
            ->assertSessionHasNoErrors();

        $this->assertSame([0, ['bathroom' => 8000]], [$this->held(), self::keptFor($into->id)]);
        $this->assertSame($into->id, $this->again($layaway)->customer_id);
        $this->assertProves();
    }

    public function test_nothing_of_a_deposit_is_ever_rewritten(): void
    {
        $this->deposit('80');
        $this->expectExceptionMessage('never changed');
        DB::table('held_entries')->update(['amount' => 1]);
    }

    public function test_a_deposit_whose_cheque_bounces_is_not_held_any_more(): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->does('deposit', ['deposit_in' => '80', 'deposit_for' => '2027'])->assertOk();
        $this->does('cheque', ['cheque' => '80', 'cheque_number' => '7732'])->assertOk();
        $this->does('post')->assertOk();
        $label = $this->document()->label;
        $this->as('301')
            ->post("/documents/{$label}/returned", ['key' => (string) Str::uuid(), 'fee' => '', 'reason' => 'no cover'])
            ->assertSessionHasNoErrors();

        $this->assertSame(0, $this->held());
        $this->assertProves();
    }
}
