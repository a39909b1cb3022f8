<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Customers\Customer;
use Elmstone\Shop\Shop;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Ways of paying that are not taken from a customer: in sight, passed by approval only, set by a bounced cheque. */
final class RefusedWaysTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('500.00');
    }

    /** @param  array<string, string>  $why by kind */
    private function refuse(array $why): void
    {
        $this->as('301')->post("/customers/{$this->customer->number}", [
            'name' => $this->customer->name, 'kind' => 'firm', 'version' => $this->customer->refresh()->version,
            'ways_shown' => '1', 'refused' => array_keys($why), 'refused_why' => $why,
        ])->assertSessionHasNoErrors();
        $this->customer->refresh();
    }

    private function slipOfTheirs(string ...$entries): static
    {
        $this->slip = (string) Str::uuid();
        $this->as('101')->does('customer', ['customer' => (string) $this->customer->id]);

        return $this->add(...$entries);
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function payInOffice(array $with = [], string $by = '301'): TestResponse
    {
        return $this->as($by)->post("/accounts/{$this->customer->number}/payment", [
            'key' => (string) Str::uuid(), 'kind' => 'cheque', 'reference' => (string) random_int(1000, 99999),
            'day' => now()->toDateString(), 'spread' => 'oldest', 'amount' => '10', ...$with,
        ]);
    }

    public function test_it_is_said_beside_the_way_and_goes_no_further_without_approval(): void
    {
        $this->refuse(['cheque' => 'one of theirs bounced']);
        $this->slipOfTheirs('LH-1140')->get("/counter/{$this->slip}")
            ->assertSee('Cheques are not taken from them: one of theirs bounced.');
        $this->does('cheque', ['cheque' => '4.24', 'cheque_number' => '77'])->assertOk();
        $this->does('post')->assertStatus(422);
        $before = $this->documents();
        $this->approve('way.cheque')->assertOk();
        $this->get("/counter/{$this->slip}")->assertSee('approved by');
        $this->does('post')->assertOk();
        self::assertSame($before + 1, $this->documents());
        self::assertSame('refused_way', DB::table('approvals')->latest('id')->value('what'));
        $this->assertProves();
    }

    public function test_an_approval_covers_neither_more_nor_another_way_nor_another_customer(): void
    {
        $this->refuse(['cheque' => '', 'cash' => 'false notes']);
        $this->slipOfTheirs('LH-1140', 'LH-1141');
        $this->does('cheque', ['cheque' => '2', 'cheque_number' => '77'])->assertOk();
        $this->approve('way.cheque')->assertOk();
        $this->does('cheque', ['cheque' => '3', 'cheque_number' => '77'])->assertOk();
        $this->does('card');
        $this->does('post')->assertStatus(422)->assertSee('Cheques are not taken from them');
        $this->does('cheque', ['cheque' => '2', 'cheque_number' => '77'])->assertOk();
        $this->does('cash', ['cash' => '1'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Cash is not taken from them: false notes.');
        $other = $this->customer('Another');
        DB::table('customers')->where('id', $other->id)->update(['refused_ways' => '{"cheque":"theirs"}']);
        $this->does('customer', ['customer' => (string) $other->id])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Cheques are not taken from them: theirs.');
    }

    public function test_nobody_allows_it_to_themselves(): void
    {
        $this->refuse(['house_account' => 'card only']);
        $this->slipOfTheirs('LH-1140');
        $this->does('charge', ['charge' => '4.24'])->assertOk();
        $this->as('201')->does('approve', [
            'place' => 'way.house_account', 'approver' => '201', 'approver_pin' => '4201', 'approver_reason' => 'mine',
        ]);
        $this->does('post')->assertStatus(422);
        self::assertSame(0, $this->balance($this->customer));
    }

    public function test_who_pays_by_a_way_that_is_taken_is_asked_nothing(): void
    {
        $this->refuse(['cheque' => 'x', 'house_account' => 'y']);
        $this->slipOfTheirs('LH-1140');
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();
        $this->refuse([]);
        self::assertNull($this->customer->refused_ways);
        $this->slipOfTheirs('LH-1140')->get("/counter/{$this->slip}")->assertDontSee('not taken from them');
    }

    private function bounce(): void
    {
        $receipt = DB::table('documents')->where('purpose', 'payment')->orderByDesc('id')->value('label');
        $this->as('301')->post("/documents/{$receipt}/returned", [
            'key' => (string) Str::uuid(), 'day' => now()->toDateString(), 'fee' => '0', 'reason' => 'no funds',
        ])->assertRedirect()->assertSessionHasNoErrors();
    }

    public function test_a_shop_may_go_on_taking_cheques_of_whose_came_back(): void
    {
        Shop::query()->update(['refuse_after_bounce' => false]);
        $this->payInOffice()->assertOk();
        $this->bounce();
        self::assertNull($this->customer->refresh()->refused_ways);
    }

    public function test_a_cheque_that_bounced_shuts_the_way(): void
    {
        $this->payInOffice(['reference' => '4711'])->assertOk();
        $this->bounce();
        $why = $this->customer->refresh()->refused_ways['cheque'] ?? '';
        self::assertStringStartsWith('number 4711 of 10.00 came back on ', $why);
        self::assertSame(
            "Cheque: {$why}",
            DB::table('customer_changes')->where('what', 'ways not taken')->value('after'),
        );
        $this->get("/customers/{$this->customer->number}/change")->assertSee($why);
        $this->assertProves();
    }

    public function test_in_the_office_only_who_keeps_the_accounts_takes_it_all_the_same(): void
    {
        $this->refuse(['cheque' => 'one bounced']);
        $before = $this->documents();
        $this->payInOffice()->assertSee('one bounced')->assertSee('Take it all the same');
        $this->payInOffice(['all_the_same' => '1'], '201')->assertSee('The office can take it all the same.')
            ->assertDontSee('name="all_the_same"', false);
        self::assertSame($before, $this->documents());
        $this->payInOffice(['kind' => 'cash', 'reference' => ''])->assertOk();
        $this->payInOffice(['all_the_same' => '1'])->assertOk();
        self::assertSame($before + 2, $this->documents());
    }

    public function test_only_who_decides_prices_sets_them_and_only_ways_that_can_be(): void
    {
        $this->refuse(['cheque' => 'one bounced']);
        $change = fn (string $by, array $refused): TestResponse => $this->as($by)
            ->from("/customers/{$this->customer->number}/change")
            ->post("/customers/{$this->customer->number}", [
                'name' => $this->customer->name, 'kind' => 'firm', 'version' => $this->customer->refresh()->version,
                'ways_shown' => '1', 'refused' => $refused,
            ]);
        $change('101', []);
        self::assertSame(['cheque' => 'one bounced'], $this->customer->refresh()->refused_ways);
        $change('301', ['deposit_held'])->assertSessionHasErrors('refused.0');
        $change('301', ['card'])->assertSessionHasErrors('refused.0');
        self::assertSame(['cheque' => 'one bounced'], $this->customer->refresh()->refused_ways);
    }

    public function test_one_customer_made_of_two_refuses_what_either_refused(): void
    {
        $this->refuse(['cheque' => 'theirs']);
        $into = $this->account('100.00', 'Twice & Co');
        DB::table('customers')->where('id', $into->id)->update(['refused_ways' => '{"cash":"ours"}']);
        $this->as('301')->post("/accounts/{$this->customer->number}/merge", [
            'into' => (string) $into->number, 'reason' => 'the same firm', 'key' => (string) Str::uuid(),
        ])->assertSessionHasNoErrors();
        self::assertEqualsCanonicalizing(
            ['cheque' => 'theirs', 'cash' => 'ours'],
            $into->refresh()->refused_ways ?? [],
        );
    }
}
