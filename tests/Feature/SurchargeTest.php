<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** What paying by card costs: in sight before the card is asked, a line of the sale, back with the card's money. */
final class SurchargeTest extends FeatureCase
{
    use Accounts;
    use Returning;

    /** As SimulatedTerminal has them. */
    private const CREDIT = 0;

    private const DEBIT = 1;

    protected function setUp(): void
    {
        parent::setUp();
        $this->terms(['most' => '4', 'credit_percent' => '2.5', 'credit_cap' => '4'])->assertSessionHasNoErrors();
        $this->as('101');
        SimulatedTerminal::put(Till::query()->findOrFail(1), self::CREDIT);
    }

    /**
     * @param  array<string, string>  $terms
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function terms(array $terms, int $place = 1): TestResponse
    {
        return $this->as('901')->from('/surcharges')->post("/surcharges/{$place}", [
            'place' => (string) $place, 'words' => 'We add a surcharge to credit cards.', 'class' => 'standard',
            ...$terms,
        ]);
    }

    private function card(): CardRequest
    {
        return $this->slip()->cards->last() ?? throw new \LogicException('No card was asked.');
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function confirm(array $with = []): TestResponse
    {
        return $this->does("card/{$this->card()->id}/confirm", $with);
    }

    private function soldByCredit(string ...$entries): Document
    {
        $this->slip = (string) Str::uuid();
        $this->add(...$entries);
        $this->does('card')->assertOk();
        $this->confirm()->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }

    private function taken(): int
    {
        return (int) DB::table('terminal_requests')->where('act', 'take')->sum('approved')
            - (int) DB::table('terminal_requests')->where('act', 'refund')->sum('approved');
    }

    public function test_it_is_said_before_the_card_is_asked_and_stands_on_the_invoice(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk()
            ->assertSee('We add a surcharge to credit cards.')
            ->assertSee('Card surcharge 2.5 %, credit ending 4821')
            ->assertSee('Ask the card for 4.36');
        self::assertSame(0, $this->taken());
        $this->does('post')->assertStatus(422)->assertSee('A card was read and not asked yet');
        $this->confirm()->assertOk();
        // 2.5 % of 4.24 is 0.11; 10 % tax on both: 3.85 + 0.11 = 3.96, tax 0.40.
        self::assertSame(436, $this->taken());
        $this->does('post')->assertOk();
        $invoice = $this->document();
        self::assertSame('4.36', $invoice->total->toString());
        self::assertSame('SURCHARGE', $invoice->lines[1]->code);
        self::assertSame('0.11', $invoice->lines[1]->net->toString());
        self::assertSame(-11, $this->posted($invoice)['surcharges']);
        $this->get("/documents/{$invoice->label}")->assertSee('Card surcharge 2.5 %');
        $this->assertProves();
    }

    public function test_a_debit_card_carries_none_and_is_asked_at_once(): void
    {
        SimulatedTerminal::put(Till::query()->findOrFail(1), self::DEBIT);
        $this->add('LH-1140');
        $this->does('card')->assertOk()->assertSee('4.24 approved');
        $this->does('post')->assertOk();
        self::assertCount(1, $this->document()->lines);
        $this->assertProves();
    }

    public function test_it_is_capped_and_reckoned_on_what_the_card_pays(): void
    {
        $this->add('3 x MA-0031');
        $this->does('card', ['card' => '100'])->assertOk();
        self::assertSame('2.50', $this->card()->surcharge->toString());
        $this->does('card', ['card' => '200'])->assertOk();
        self::assertSame('4.00', $this->card()->surcharge->toString());
        self::assertSame(1, $this->slip()->cards->where('state', CardState::Read)->count());
    }

    public function test_what_is_taken_in_besides_costs_nothing(): void
    {
        $customer = $this->account('500.00');
        $this->does('customer', ['customer' => (string) $customer->id])->assertOk();
        $this->does('deposit', ['deposit_in' => '50'])->assertOk();
        $this->does('card', ['card' => '10'])->assertOk()->assertSee('10.00 approved');
        $this->add('3 x LH-1140');
        $this->does('card', ['another' => '1'])->assertOk();
        // 12.71 is sold; 10.00 of it is paid already.
        self::assertSame('0.07', $this->card()->surcharge->toString());
        $this->confirm()->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_where_the_slip_changed_it_is_shown_again_before_it_is_asked(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        $this->does("lines/{$this->lineId()}/remove")->assertOk();
        $this->confirm()->assertStatus(422)->assertSee('is left to pay');
        self::assertSame(0, $this->taken());
        $this->add('LH-1140');
        $this->terms(['most' => '4', 'credit_percent' => '4', 'credit_cap' => ''])->assertSessionHasNoErrors();
        $this->as('101');
        $this->confirm()->assertOk()->assertSee('What the card costs has changed');
        self::assertSame(0, $this->taken());
        $this->confirm()->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_supervisor_lets_it_off_and_a_clerk_has_it_allowed(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        $this->confirm(['off' => '1'])->assertStatus(422)->assertSee('The surcharge of 0.12 is let off');
        self::assertSame(0, $this->taken());
        $this->confirm(['off' => '1', ...$this->approval()])->assertOk();
        self::assertSame(424, $this->taken());
        self::assertSame('surcharge', DB::table('approvals')->latest('id')->value('what'));
        $this->does('post')->assertOk();
        self::assertCount(1, $this->document()->lines);
        $this->slip = (string) Str::uuid();
        $this->as('201')->add('LH-1140');
        $this->does('card')->assertOk();
        $this->confirm(['off' => '1'])->assertOk();
        self::assertSame(848, $this->taken());
    }

    public function test_a_part_that_is_approved_bears_its_part(): void
    {
        $this->add('3 x MA-0031');
        $this->does('card', ['card' => '100'])->assertOk();
        $this->terminal('partial');
        $this->confirm()->assertOk();
        self::assertSame('1.25', $this->card()->surcharge->toString());
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_card_of_another_kind_than_was_read_is_given_back(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        SimulatedTerminal::put(Till::query()->findOrFail(1), self::DEBIT);
        $this->confirm()->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('is a debit card');
        $this->does("card/{$this->card()->id}/give-back")->assertOk();
        $this->does('card')->assertOk()->assertSee('4.24 approved');
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_card_keyed_in_off_line_bears_what_was_said(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        $this->terminal('off_line');
        $this->confirm()->assertOk()->assertSee('Terminal off line');
        $this->does("card/{$this->card()->id}/key", [
            'authorisation' => 'VOICE1', 'last_four' => '4821', ...$this->approval(),
        ])->assertOk();
        $this->does('post')->assertOk();
        self::assertSame('4.36', $this->document()->total->toString());
        $this->assertProves();
    }

    public function test_a_declined_card_leaves_no_line_behind(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        $this->terminal('decline');
        $this->confirm()->assertOk()->assertSee('4.36 declined');
        $this->does('cash', ['cash' => '4.24'])->assertOk();
        $this->does('post')->assertOk();
        self::assertCount(1, $this->document()->lines);
        $this->assertProves();
    }

    public function test_it_comes_back_with_what_goes_back_to_the_card_and_no_more(): void
    {
        $sale = $this->soldByCredit('3 x LH-1140');
        self::assertSame('0.32', $sale->lines[1]->net->toString());
        $card = $sale->tenders[0]->authorisation;

        foreach ([1, 2, 3] as $piece) {
            $this->back($sale, [1 => '1'])->assertOk()->assertSee('of its surcharge');
            $this->does('refund/terminal', ['authorisation' => $card])->assertOk();
            $this->does('post')->assertOk();
            $note = $this->creditNote();
            self::assertSame('SURCHARGE', $note->lines[1]->code);
            $this->assertProves();
        }

        self::assertSame(0, $this->taken());
        $this->back($sale, [2 => '1'])->assertStatus(422)->assertSee('comes back by itself');
    }

    public function test_cash_for_the_goods_leaves_the_surcharge_where_it_is(): void
    {
        $sale = $this->soldByCredit('LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->does('refund/other-way', ['way' => 'cash', ...$this->approval()])->assertOk();
        $this->does('post')->assertOk();
        self::assertCount(1, $this->creditNote()->lines);
        $this->assertProves();
    }

    public function test_a_refund_that_is_declined_takes_its_line_away(): void
    {
        $sale = $this->soldByCredit('LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->terminal('decline');
        $this->does('refund/terminal', ['authorisation' => $sale->tenders[0]->authorisation])->assertOk();
        $this->does('refund/terminal', ['authorisation' => $sale->tenders[0]->authorisation])->assertOk();
        $this->does('post')->assertOk();
        self::assertSame(0, $this->taken());
        $this->assertProves();
    }

    public function test_a_sale_taken_back_whole_takes_it_back_whole(): void
    {
        $sale = $this->soldByCredit('2 x LH-1140');
        $this->as('201')->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(), 'key' => (string) Str::uuid(), 'approver' => '301', 'approver_pin' => '4301',
            'approver_reason' => 'rung up twice',
        ])->assertRedirect();
        self::assertSame(0, $this->taken());
        self::assertSame(0, (int) DB::table('journal_lines')->where('account', 'surcharges')
            ->sum(DB::raw('debit - credit')));
        $this->assertProves();
    }

    public function test_no_more_than_the_law_allows_is_kept_and_the_words_are_needed(): void
    {
        $this->terms(['most' => '2', 'credit_percent' => '2.5'])->assertSessionHasErrors('credit_percent');
        $this->terms(['credit_percent' => '2.5', 'words' => ''])->assertSessionHasErrors('words');
        $this->terms(['credit_percent' => 'x'])->assertSessionHasErrors('credit_percent');
        $this->terms(['credit_percent' => '-1'])->assertSessionHasErrors('credit_percent');
        $this->terms(['credit_percent' => '101'])->assertSessionHasErrors('credit_percent');
        $this->terms(['debit_cap' => '2'])->assertSessionHasErrors('debit_cap');
        self::assertSame('2.5000', (string) DB::table('card_surcharges')->where('location_id', 1)->value('percent'));
        $this->terms([], 1)->assertSessionHasNoErrors();
        self::assertSame(0, $this->rows('card_surcharges'));
        $this->as('201')->post('/surcharges/1', [])->assertForbidden();
    }

    public function test_a_surcharge_that_no_card_paid_is_found_out(): void
    {
        $sale = $this->soldByCredit('LH-1140');
        $this->assertProves();
        DB::table('card_requests')->where('document_id', $sale->id)->update(['surcharge_total' => 90]);
        self::assertNotSame([], app(Prove::class)->handle()->faults);
    }
}
