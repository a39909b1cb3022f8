<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Quotes\Quote;
use Elmstone\Quotes\QuoteState;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Quotes: given from a slip, changed in revisions, taken up whole and in part, lost. */
final class QuoteTest extends FeatureCase
{
    use Ordering;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Weir Masonry', ['phone' => '555 0134', 'mail' => 'office@weir.example']);
    }

    private function quote(string ...$entries): Quote
    {
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add(...$entries);
        $this->does('quote')->assertOk()->assertSee('Give the quote');
        $this->does('post')->assertOk()->assertSee('Given as');

        return $this->theQuote((int) $this->slip()->agreement_id);
    }

    private function theQuote(int $id): Quote
    {
        return Quote::query()->with(['allLines.item', 'changesMade', 'customer'])->findOrFail($id);
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function takesUp(Quote $quote, array $fields): TestResponse
    {
        $response = $this->post("/quotes/{$quote->label}/take-up", $fields)->assertRedirect();
        $this->slip = (string) Str::afterLast((string) $response->headers->get('Location'), '/');

        return $response;
    }

    public function test_a_quote_sets_nothing_aside_and_moves_no_money(): void
    {
        $quote = $this->quote('7 x LH-1140');
        $this->assertSame('29.65', $quote->total->toString());
        $this->assertSame(0, DB::table('commitments')->count());
        $this->assertSame(0, $this->documents());
        $this->assertSame(1, DB::table('printed_papers')->where('title', "{$quote->label} quote")->count());
        $this->get('/quotes?tab=open')->assertOk()->assertSee($quote->label);
        $this->get("/quotes/{$quote->label}")->assertOk()->assertDontSee('Margin');
        $this->as('201')->get("/quotes/{$quote->label}")->assertOk()->assertSee('Margin');
        $this->get("/quotes/{$quote->label}/quote.pdf")->assertOk();
        $this->assertProves();
    }

    public function test_it_is_scanned_and_its_price_holds_though_the_list_has_risen(): void
    {
        $quote = $this->quote('7 x LH-1140');
        Scene::reprice(['list_price' => '5.00'], 'LH-1140');
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => strtolower($quote->label), 'version' => ''])->assertOk();
        $this->does('add', ['entry' => $quote->label, 'version' => ''])->assertStatus(422)->assertSee('already');
        $this->does('cash', ['cash' => '30'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('29.65', $this->document()->total->toString());
        $this->assertSame('quoted', $this->document()->lines[0]?->price_rule->value);
        $quote = $this->theQuote($quote->id);
        $this->assertSame(QuoteState::Won, $quote->state);
        $this->assertSame($this->document()->label, $quote->ended_why);
        $this->scans2($quote)->assertStatus(422)->assertSee('won already');
        $this->assertProves();
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function scans2(Quote $quote): TestResponse
    {
        $this->slip = (string) Str::uuid();

        return $this->does('add', ['entry' => $quote->label, 'version' => '']);
    }

    public function test_after_its_day_each_changed_price_is_confirmed(): void
    {
        $quote = $this->quote('7 x LH-1140', '2 x LH-1141');
        Scene::reprice(['list_price' => '4.00'], 'LH-1140');
        DB::table('agreements')->update(['valid_until' => ShopTime::today()->subDay()->format('Y-m-d')]);
        $this->scans2($quote)->assertStatus(422)->assertSee('a price has changed since');
        $this->get("/quotes/{$quote->label}")->assertOk()->assertSee('→ 4.00');
        $this->takesUp($quote, ['quantity' => [1 => '7', 2 => '2']])->assertSessionHasErrors('refused');
        $this->takesUp($quote, ['quantity' => [1 => '7', 2 => '2'], 'confirmed' => [1 => '3.9']])
            ->assertSessionHasErrors('refused');
        $this->takesUp($quote, ['quantity' => [1 => '7', 2 => '2'], 'confirmed' => [1 => '4']])
            ->assertSessionHasNoErrors();
        $this->assertSame('4', $this->slip()->lines[0]?->unit_price->toString());
        $this->assertSame('4.4', $this->slip()->lines[1]?->unit_price->toString());
    }

    public function test_a_part_of_it_becomes_an_order(): void
    {
        $quote = $this->quote('7 x LH-1140', '2 x LH-1141');
        $this->takesUp($quote, ['quantity' => [1 => '0', 2 => '']])->assertSessionHasErrors('refused');
        $this->takesUp($quote, ['quantity' => [1 => '3', 2 => '0']])->assertSessionHasNoErrors();
        $this->does('order')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(QuoteState::Won, $this->theQuote($quote->id)->state);
        $this->assertStringStartsWith('ORD-', $this->theQuote($quote->id)->ended_why);
        $this->assertProves();
    }

    public function test_a_changed_quote_is_another_revision_and_the_difference_is_marked(): void
    {
        $quote = $this->quote('7 x LH-1140', '2 x LH-1141');
        $response = $this->post("/quotes/{$quote->label}/revise")->assertRedirect();
        $this->slip = (string) Str::afterLast((string) $response->headers->get('Location'), '/');
        $this->does("lines/{$this->lineId()}", ['quantity' => '9'])->assertOk();
        $this->does("lines/{$this->lineId(1)}/remove")->assertOk();
        $this->add('MA-0031');
        $this->does('post')->assertOk();
        $quote = $this->theQuote($quote->id);
        $this->assertSame([1, 2], [Quote::query()->count(), $quote->revision]);
        $this->assertSame(QuoteState::Open, $quote->state);
        $this->get("/quotes/{$quote->label}")
            ->assertOk()
            ->assertSee('quantity 7 → 9')
            ->assertSee('taken off')
            ->assertSee('new');
        $this->assertProves();
    }

    public function test_for_nobody_we_know_a_name_will_do(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('2 x LH-1140');
        $this->does('quote')->assertOk();
        $this->does('quote/terms', ['party' => 'the man with the red van'])->assertOk();
        $this->does('quote/terms', ['valid_until' => '2020-01-01'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('which is past');
        $this->does('quote/terms', ['valid_until' => 'never'])->assertStatus(422)->assertSee('not a date');
        $this->does('quote/terms', ['valid_until' => ShopTime::today()->addDays(3)->format('Y-m-d')])->assertOk();
        $this->does('post')->assertOk();
        $quote = $this->theQuote((int) $this->slip()->agreement_id);
        $this->get('/quotes?find=the+man')->assertOk()->assertSee($quote->label);
        $this->scans2($quote)->assertOk();
        $this->assertNull($this->slip()->customer_id);
    }

    public function test_lost_has_a_reason_and_is_counted(): void
    {
        $quote = $this->quote('2 x LH-1140');
        $this->post("/quotes/{$quote->label}/lost", ['reason' => ''])->assertSessionHasErrors('reason');
        $this->post("/quotes/{$quote->label}/later", ['follow_up_on' => '2020-01-01'])
            ->assertSessionHasErrors('follow_up_on');
        $this->post("/quotes/{$quote->label}/later", [
            'follow_up_on' => ShopTime::today()->format('Y-m-d'), 'said' => 'they think about it',
        ])->assertSessionHasNoErrors();
        $this->get('/quotes')->assertOk()->assertSee($quote->label);
        $this->post("/quotes/{$quote->label}/mail", ['mail_to' => 'nobody'])->assertSessionHasErrors('mail_to');
        $this->post("/quotes/{$quote->label}/mail", ['mail_to' => 'office@weir.example'])->assertSessionHasNoErrors();
        $this->post("/quotes/{$quote->label}/lost", ['reason' => 'price'])->assertSessionHasNoErrors();
        $this->assertSame(QuoteState::Lost, $this->theQuote($quote->id)->state);
        $this->get('/quotes?tab=lost')->assertOk()->assertSee('Why others were lost')->assertSee('0 %');
        $this->post("/quotes/{$quote->label}/lost", ['reason' => 'price'])->assertSessionHasErrors('refused');
        $this->post("/quotes/{$quote->label}/revise")->assertSessionHasErrors('refused');
    }
}
