<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Devices\Simulated\DeviceState;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Orders\Order;
use Elmstone\Paper\Payable;
use Elmstone\PayLinks\FewAMinute;
use Elmstone\PayLinks\LinkPayment;
use Elmstone\PayLinks\OnlineTill;
use Elmstone\PayLinks\PayLink;
use Elmstone\Plans\Plan;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Tills\CloseOnline;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Paying from a link on a paper or in a mail: by anybody who has it, once, no more than it asks. */
final class PayLinkTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('1000.00');
        $this->terms();
    }

    /** @param  array<string, string>  $with */
    private function terms(array $with = []): void
    {
        $this->as('301')->post('/link-payments/terms', [
            'links_on' => '1', 'links_may_less' => '1', 'link_days' => '30', ...$with,
        ])->assertSessionHasNoErrors();
        $this->as('101');
    }

    private static function code(Payable $what, int $id, string $amount, int $days = 30): string
    {
        return PayLink::of(
            $what,
            $id,
            Money::of($amount, Currency::of('USD')),
            CarbonImmutable::today()->addDays($days),
        )->code(app(House::class));
    }

    private function invoice(string ...$entries): Document
    {
        return Document::query()->where('label', $this->charge($this->customer, ...$entries))->sole();
    }

    /** Nobody signed in. */
    private function stranger(): static
    {
        Auth::logout();
        $this->flushSession();

        return $this;
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function pay(string $code, array $with = []): TestResponse
    {
        return $this->stranger()->post("/pay/{$code}", $with);
    }

    private function online(string $mood): void
    {
        DeviceState::write(app(OnlineTill::class)->at(1), 'terminal', ['mood' => $mood]);
    }

    private static function last(): LinkPayment
    {
        return LinkPayment::query()->latest('id')->firstOrFail();
    }

    public function test_an_invoice_is_paid_by_who_has_its_link_and_the_office_sees_it_arrive(): void
    {
        $invoice = $this->invoice('MA-0031');
        $html = (string) DB::table('printed_papers')->latest('id')->value('html');
        self::assertSame(1, preg_match('~/pay/(i[\w-]+)~', $html, $found), 'the paper carries the link');
        $code = $found[1];
        $this->stranger()->get("/pay/{$code}")->assertOk()
            ->assertSee('Quarry Lane Stores')->assertSee($invoice->label)->assertSee('103.40');
        $this->pay($code)->assertRedirect();
        $this->get("/pay/{$code}")->assertSee('✓ Paid 103.40', false)->assertDontSee('Pay by card');
        self::assertSame(0, $this->open($invoice->label));
        self::assertSame(0, $this->balance($this->customer));
        $this->as('301')->get('/link-payments')->assertSee($invoice->label)->assertSee('Seen');
        $this->get('/accounts')->assertSeeInOrder(['Paid by link', '1']);
        $this->post('/link-payments/'.self::last()->id.'/seen')->assertRedirect();
        self::assertSame(0, LinkPayment::unseen());
        $this->assertProves();
    }

    public function test_used_again_it_takes_nothing(): void
    {
        $code = self::code(Payable::Invoice, $this->invoice('MA-0031')->id, '103.40');
        $this->pay($code)->assertSessionHasNoErrors();
        $this->pay($code)->assertSessionHasErrors('amount');
        self::assertSame(1, DB::table('terminal_requests')->count());
        self::assertSame(1, Document::query()->where('kind', 'receipt')->count());
    }

    public function test_less_may_be_paid_where_the_shop_says_so_and_never_more(): void
    {
        $code = self::code(Payable::Invoice, $this->invoice('MA-0031')->id, '103.40');
        $this->pay($code, ['amount' => '103.41'])->assertSessionHasErrors('amount');
        $this->pay($code, ['amount' => '0'])->assertSessionHasErrors('amount');
        $this->pay($code, ['amount' => '-5'])->assertSessionHasErrors('amount');
        $this->pay($code, ['amount' => 'x'])->assertSessionHasErrors('amount');
        self::assertSame(0, DB::table('terminal_requests')->count());
        $this->pay($code, ['amount' => '40'])->assertSessionHasNoErrors();
        $this->get("/pay/{$code}")->assertSee('63.40');
        $this->pay($code, ['amount' => '63.41'])->assertSessionHasErrors('amount');
        $this->terms(['links_may_less' => '0']);
        $this->pay($code, ['amount' => '10'])->assertSessionHasErrors('amount');
        $this->pay($code)->assertSessionHasNoErrors();
        self::assertSame(0, $this->balance($this->customer));
        $this->assertProves();
    }

    public function test_what_is_paid_already_or_has_run_out_takes_nothing(): void
    {
        $invoice = $this->invoice('MA-0031');
        $this->pay(self::code(Payable::Invoice, $invoice->id, '103.40', -1))->assertSessionHasErrors('amount');
        $code = self::code(Payable::Invoice, $invoice->id, '103.40');
        $this->as('301')->pay_($this->customer, '103.40');
        $this->pay($code)->assertSessionHasErrors('amount');
        $this->stranger()->get("/pay/{$code}")->assertSee('There is nothing left to', false);
        self::assertSame(0, DB::table('terminal_requests')->count());
    }

    private function pay_(Customer $customer, string $amount): void
    {
        $this->post("/accounts/{$customer->number}/payment", [
            'key' => (string) Str::uuid(), 'kind' => 'cheque', 'reference' => '12345', 'day' => now()->toDateString(),
            'spread' => 'oldest', 'amount' => $amount,
        ])->assertSessionHasNoErrors();
    }

    public function test_another_link_is_worth_nothing(): void
    {
        $invoice = $this->invoice('MA-0031');
        $code = self::code(Payable::Invoice, $invoice->id, '103.40');

        foreach ([
            str_replace('10340', '99999', $code), strtoupper($code), substr($code, 0, -1), $code.'x', 'a1',
            str_replace("i{$invoice->id}-", "a{$this->customer->id}-", $code),
        ] as $made) {
            $this->stranger()->get("/pay/{$made}")->assertNotFound();
            $this->pay($made)->assertNotFound();
        }

        $this->stranger()->get("/pay/{$code}")->assertOk();
        $this->as('301')->post('/link-payments/void')->assertRedirect();
        $this->stranger()->get("/pay/{$code}")->assertNotFound();
        $this->terms(['links_on' => '0']);
        $this->stranger()->get('/pay/'.self::code(Payable::Invoice, $invoice->id, '103.40'))->assertNotFound();
        self::assertSame(0, $this->rows('link_payments'));
    }

    public function test_who_guesses_is_turned_away(): void
    {
        for ($i = 0; $i < FewAMinute::WRONG; $i++) {
            $this->stranger()->get("/pay/i1-100-270101-{$i}")->assertNotFound();
        }

        $this->get('/pay/i1-100-270101-x')->assertStatus(429);
    }

    public function test_a_card_that_is_refused_leaves_everything_as_it_was(): void
    {
        $code = self::code(Payable::Invoice, $this->invoice('MA-0031')->id, '103.40');
        $this->online('decline');
        $this->pay($code)->assertRedirect();
        self::assertSame(LinkPayment::FAILED, self::last()->state);
        $this->get("/pay/{$code}")->assertSee('Nothing was paid.')->assertSee('Pay by card');
        self::assertSame(10340, $this->balance($this->customer));
        $this->pay($code)->assertSessionHasNoErrors();
        self::assertSame(0, $this->balance($this->customer));
        $this->assertProves();
    }

    public function test_where_nobody_knows_it_is_asked_again_and_posted_once(): void
    {
        $code = self::code(Payable::Invoice, $this->invoice('MA-0031')->id, '103.40');
        $this->online('silent_approve');
        $this->pay($code);
        self::assertSame(LinkPayment::OPEN, self::last()->state);
        $this->online('off_line');
        $this->get("/pay/{$code}")->assertSee('We do not know yet');
        $this->pay($code);
        self::assertSame(1, DB::table('terminal_requests')->count(), 'not asked for a second time');
        $this->online('approve');
        $this->as('301')->post('/link-payments/'.self::last()->id.'/ask')->assertRedirect();
        self::assertSame(LinkPayment::PAID, self::last()->state);
        $this->stranger()->get("/pay/{$code}")->assertSee('✓ Paid 103.40', false);
        self::assertSame(1, Document::query()->where('kind', 'receipt')->count());
        $this->assertProves();
    }

    public function test_half_of_it_is_taken_where_the_card_pays_half(): void
    {
        $code = self::code(Payable::Account, $this->customer->id, '103.40');
        $this->invoice('MA-0031');
        $this->online('partial');
        $this->pay($code)->assertSessionHasNoErrors();
        self::assertSame('51.70', self::last()->amount->toString());
        self::assertSame(5170, $this->balance($this->customer));
        $this->assertProves();
    }

    public function test_paid_at_the_counter_while_the_card_was_asked_it_goes_back_to_the_card(): void
    {
        $invoice = $this->invoice('MA-0031');
        $code = self::code(Payable::Invoice, $invoice->id, '103.40');
        $this->online('silent_approve');
        $this->pay($code);
        $this->online('approve');
        $this->as('301')->pay_($this->customer, '103.40');
        $this->stranger()->get("/pay/{$code}")->assertOk();
        self::assertSame(LinkPayment::FAILED, self::last()->state);
        self::assertSame('given_back', DB::table('card_requests')->value('state'));
        self::assertSame(0, $this->balance($this->customer));
        $this->assertProves();
    }

    public function test_a_part_of_a_plan_and_an_order_are_paid(): void
    {
        $invoice = $this->invoice('MA-0031');
        $this->as('301')->post("/documents/{$invoice->label}/plan", [
            'key' => (string) Str::uuid(), 'charge' => '0', 'count' => '2', 'rhythm' => 'month',
            'first_due' => now()->addDay()->format('Y-m-d'),
        ])->assertSessionHasNoErrors();
        $parts = Plan::query()->with('parts')->latest('id')->firstOrFail()->parts;
        $this->pay(self::code(Payable::PlanPart, $parts[0]->document_id, '51.70'))->assertSessionHasNoErrors();
        self::assertSame(5170, $this->balance($this->customer));
        $this->as('101');
        $this->slip = (string) Str::uuid();
        $weir = $this->customer('Weir Masonry', ['phone' => '555 0134']);
        $this->does('customer', ['customer' => (string) $weir->id])->assertOk();
        $this->add('2 x LH-1140');
        $this->does('order')->assertOk();
        $this->does('post')->assertOk();
        $order = (int) $this->slip()->agreement_id;
        $this->pay(self::code(Payable::Order, $order, '8.47'), ['amount' => '5'])->assertSessionHasNoErrors();
        self::assertSame('5.00', Order::query()->findOrFail($order)->held()->toString());
        $this->assertProves();
    }

    public function test_its_till_closes_with_the_day(): void
    {
        $this->pay(self::code(Payable::Account, $this->customer->id, '103.40'))->assertSessionHasErrors('amount');
        $this->as('101')->invoice('MA-0031');
        $this->pay(self::code(Payable::Account, $this->customer->id, '103.40'))->assertSessionHasNoErrors();
        $till = Till::query()->where('online', true)->sole();
        self::assertSame(1, DB::table('till_sessions')->where('till_id', $till->id)->where('unclosed', 1)->count());
        DB::table('till_sessions')->where('location_id', 1)->where('till_id', '<>', $till->id)
            ->update(['opened_on' => now()->addDay()->format('Y-m-d')]);
        app(CloseOnline::class)->at(1, CarbonImmutable::today(), $this->staff('301'));
        self::assertSame('closed', DB::table('till_sessions')->where('till_id', $till->id)->value('state'));
        $this->assertProves();
    }

    public function test_where_the_card_company_reports_otherwise_its_till_closes_with_the_difference(): void
    {
        $this->invoice('MA-0031');
        $this->pay(self::code(Payable::Account, $this->customer->id, '103.40'))->assertSessionHasNoErrors();
        $till = Till::query()->where('online', true)->sole();
        SimulatedTerminal::beOffBy($till, Money::of('1.00', Currency::of('USD')));
        app(CloseOnline::class)->at(1, CarbonImmutable::today(), $this->staff('301'));
        self::assertSame('closed', DB::table('till_sessions')->where('till_id', $till->id)->value('state'));
        self::assertSame(1, Document::query()->where('purpose', 'till_over')->count());
        // So far off that two sign: it stays counted, and the day waits.
        DB::table('shop')->update(['witness_over' => 100]);
        $this->as('101')->invoice('MA-0031');
        $this->pay(self::code(Payable::Account, $this->customer->id, '103.40', 20))->assertSessionHasNoErrors();
        SimulatedTerminal::beOffBy($till, Money::of('50.00', Currency::of('USD')));
        app(CloseOnline::class)->at(1, CarbonImmutable::today(), $this->staff('301'));
        self::assertSame('counted', DB::table('till_sessions')->where('till_id', $till->id)->where('unclosed', 1)
            ->value('state'));
        $this->pay(self::code(Payable::Account, $this->customer->id, '50.00'))->assertSessionHasErrors('amount');
        $this->assertProves();
    }

    public function test_statements_and_mails_carry_it(): void
    {
        $this->invoice('MA-0031');
        $this->as('301');
        $html = (string) $this->get("/accounts/{$this->customer->number}/statement")->getContent();
        self::assertSame(1, preg_match('~/pay/(a[\w-]+)~', $html, $found));
        $this->stranger()->get("/pay/{$found[1]}")->assertOk()->assertSee("Account {$this->customer->number}");
        $this->as('301')->get("/accounts/{$this->customer->number}/statement.pdf")->assertOk();
    }
}
