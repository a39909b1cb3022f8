<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Customers\Customer;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Devices\Simulated\SimulatedTokens;
use Elmstone\KeptCards\CardOnFile;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Cards on file: kept with consent, used there or on the telephone, run out, removed; never a number of ours. */
final class KeptCardTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('500.00');
        SimulatedTerminal::put(Till::query()->findOrFail(1), 0);
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function keep(array $with = []): TestResponse
    {
        return $this->as('301')->post("/customers/{$this->customer->number}/cards", [
            'key' => (string) Str::uuid(), 'consent' => 'in_person', ...$with,
        ]);
    }

    private function kept(): CardOnFile
    {
        $this->keep()->assertSessionHasNoErrors();
        $this->as('101');

        return CardOnFile::query()->latest('id')->firstOrFail();
    }

    private function slipOf(?Customer $customer, string ...$entries): void
    {
        $this->slip = (string) Str::uuid();
        $customer === null || $this->does('customer', ['customer' => (string) $customer->id])->assertOk();
        $this->add(...$entries);
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function ask(CardOnFile $card, array $with = []): TestResponse
    {
        return $this->does('card-on-file', ['on_file' => (string) $card->id, ...$with]);
    }

    private function asked(): CardRequest
    {
        return $this->slip()->cards->last() ?? throw new \LogicException('No card was asked.');
    }

    public function test_a_card_is_kept_with_consent_only_and_once(): void
    {
        $this->keep(['consent' => ''])->assertSessionHasErrors('consent');
        self::assertSame(0, $this->rows('cards_on_file'));
        $key = (string) Str::uuid();
        $this->keep(['key' => $key, 'card_name' => 'Yard'])->assertSessionHasNoErrors();
        $this->keep(['key' => $key, 'card_name' => 'Yard'])->assertSessionHasNoErrors();
        self::assertSame(1, $this->rows('cards_on_file'));
        $this->get("/customers/{$this->customer->number}")->assertSee('Credit ending 4821')->assertSee('Yard')
            ->assertSee('agreed in person on');
        $this->as('301')->terminal('off_line');
        $this->keep()->assertSessionHasErrors('consent');
        self::assertSame(1, $this->rows('cards_on_file'));
    }

    public function test_nothing_of_it_can_hold_a_number(): void
    {
        $this->expectExceptionMessageMatches('/token_is_no_number/');
        DB::table('cards_on_file')->insert([
            'customer_id' => $this->customer->id, 'token' => '4000 0000 0000 0002', 'card_type' => 'credit',
            'last_four' => '0002', 'expires' => '2030-01-31', 'consent' => 'paper', 'consent_on' => '2026-01-01',
            'kept_by' => 1,
        ]);
    }

    public function test_it_pays_a_sale_by_telephone_and_what_matched_is_kept(): void
    {
        $card = $this->kept();
        $this->slipOf($this->customer, 'LH-1140');
        $this->get("/counter/{$this->slip}")->assertSee('Card on file');
        $this->ask($card, ['absent' => '1', 'postcode' => SimulatedTokens::POSTCODE, 'number' => '99'])->assertOk()
            ->assertSee('postal code matches, street number does not match');
        self::assertTrue($this->asked()->absent);
        $this->does('post')->assertOk();
        $invoice = $this->document();
        self::assertSame('4821', $invoice->tenders[0]->last_four);
        $this->as('301')->get("/documents/{$invoice->label}")
            ->assertSee('was on file, its holder on the telephone: postal code matches, street number does not match');
        $this->back($invoice, [1 => '1'])->assertOk();
        $this->does('refund/terminal', ['authorisation' => $invoice->tenders[0]->authorisation])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_in_person_nothing_is_compared(): void
    {
        $card = $this->kept();
        $this->slipOf($this->customer, 'LH-1140');
        $this->ask($card, ['postcode' => '1', 'number' => '2'])->assertOk();
        self::assertNull($this->asked()->postcode_matches);
        self::assertSame('', $this->asked()->given_postcode);
    }

    public function test_it_pays_a_deposit_and_the_account(): void
    {
        $card = $this->kept();
        $this->slipOf($this->customer, 'LH-1140');
        $this->does('charge', ['charge' => '4.24'])->assertOk();
        $this->does('post')->assertOk();
        $this->slipOf($this->customer);
        $this->does('on-account', ['on_account' => '4.24'])->assertOk();
        $this->does('deposit', ['deposit_in' => '20'])->assertOk();
        $this->ask($card)->assertOk();
        self::assertSame('24.24', $this->asked()->approved->toString());
        $this->does('post')->assertOk();
        self::assertSame(0, $this->balance($this->customer));
        $this->assertProves();
    }

    public function test_the_card_of_somebody_else_is_refused_however_it_is_asked(): void
    {
        $card = $this->kept();
        $other = $this->customer('Another');
        $this->slipOf($other, 'LH-1140');
        $this->ask($card)->assertStatus(422)->assertSee('not on file for who this slip is for');
        $this->slipOf(null, 'LH-1140');
        $this->ask($card)->assertStatus(422);
        self::assertSame(0, DB::table('terminal_requests')->count());
        // Paid for them, and then put in another’s name.
        $this->slipOf($this->customer, 'LH-1140');
        $this->ask($card)->assertOk();
        $this->does('customer', ['customer' => (string) $other->id])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('is not of who this slip is for');
        $this->does("card/{$this->asked()->id}/give-back")->assertOk();
        $this->as('301')->post("/customers/{$other->number}/cards/{$card->id}/remove")->assertNotFound();
        self::assertNotNull($card->refresh()->token);
    }

    public function test_what_ran_out_is_pointed_out_and_not_asked(): void
    {
        $card = $this->kept();
        $card->update(['expires' => now()->subMonth()->endOfMonth()->format('Y-m-d')]);
        $this->slipOf($this->customer, 'LH-1140');
        $this->get("/counter/{$this->slip}")->assertSee('ran out');
        $this->ask($card)->assertStatus(422)->assertSee('Keep their new one');
        $this->as('301')->get("/customers/{$this->customer->number}")->assertSee('ran out');
    }

    public function test_what_was_taken_off_file_is_worth_nothing(): void
    {
        $card = $this->kept();
        $token = (string) $card->token;
        $this->as('301')->post("/customers/{$this->customer->number}/cards/{$card->id}/remove")->assertRedirect();
        self::assertNull($card->refresh()->token);
        self::assertSame(1, (int) DB::table('terminal_tokens')->where('token', $token)->value('forgotten'));
        $this->as('101')->slipOf($this->customer, 'LH-1140');
        $this->ask($card)->assertStatus(422)->assertSee('was taken off file');
        $this->as('301')->get("/customers/{$this->customer->number}")->assertSee('removed');
    }

    public function test_it_is_kept_in_the_middle_of_a_slip(): void
    {
        $this->slipOf($this->customer, 'LH-1140');
        $this->does('keep-card', ['consent' => ''])->assertStatus(422)->assertSee('Tick how they did');
        $this->does('keep-card', ['consent' => 'telephone'])->assertOk()->assertSee('credit ending 4821');
        $this->slipOf(null, 'LH-1140');
        $this->does('keep-card', ['consent' => 'telephone'])->assertStatus(422);
    }

    public function test_it_bears_a_surcharge_that_is_said_first(): void
    {
        $this->as('901')->post('/surcharges/1', ['place' => '1', 'words' => 'w', 'credit_percent' => '2.5'])
            ->assertSessionHasNoErrors();
        $card = $this->kept();
        $this->slipOf($this->customer, 'LH-1140');
        $this->ask($card, ['absent' => '1', 'postcode' => '1'])->assertOk();
        self::assertSame(CardState::Read, $this->asked()->state);
        $this->as('301')->post("/customers/{$this->customer->number}/cards/{$card->id}/remove");
        $this->as('101')->does("card/{$this->asked()->id}/confirm")->assertStatus(422)->assertSee('taken off file');
        $again = $this->kept();
        $this->ask($again, ['absent' => '1', 'postcode' => '1'])->assertOk();
        $this->does("card/{$this->asked()->id}/confirm")->assertOk();
        self::assertFalse($this->asked()->postcode_matches);
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_cards_go_with_a_customer_that_is_merged(): void
    {
        $card = $this->kept();
        $into = $this->account('100.00', 'The same firm');
        $this->as('301')->post("/accounts/{$this->customer->number}/merge", [
            'into' => (string) $into->number, 'reason' => 'twice', 'key' => (string) Str::uuid(),
        ])->assertSessionHasNoErrors();
        self::assertSame($into->id, $card->refresh()->customer_id);
    }
}
