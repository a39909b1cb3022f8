<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Plans\Plan;
use Elmstone\Plans\PlanPart;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Reminders\SendReminders;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** MA-0031 charged comes to 103.40. */
final class PlanTest extends FeatureCase
{
    use ChargesAndLayaways;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('1000.00');
        $this->customer->forceFill(['mail' => 'fern@example.test'])->save();
    }

    /** @param  array<string, string>  $fields */
    private function plan(string $label, array $fields = []): Plan
    {
        $this->as('301')
            ->post("/documents/{$label}/plan", [
                'key' => (string) Str::uuid(),
                'charge' => '3 %',
                'count' => '3',
                'rhythm' => 'month',
                'first_due' => now()->addMonthNoOverflow()->format('Y-m-d'),
                ...$fields,
            ])
            ->assertSessionHasNoErrors();

        return Plan::query()->with('parts.item')->latest('id')->firstOrFail();
    }

    public function test_an_invoice_is_paid_in_parts_that_sum_exactly(): void
    {
        $plan = $this->plan($this->charge($this->customer, 'MA-0031'));

        $this->assertSame([10340, 310], [$plan->principal->minor, $plan->charge->minor]);
        $this->assertSame([3550, 3550, 3550], $plan->parts->pluck('amount.minor')->all());
        $this->assertSame(10650, $this->balance($this->customer));
        $this->assertSame(0, $this->open($plan->invoice->label), 'The plan has taken it over.');
        $this->assertProves();
    }

    public function test_a_card_on_file_pays_a_part(): void
    {
        $plan = $this->plan($this->charge($this->customer, 'MA-0031'));
        $this->post("/customers/{$this->customer->number}/cards", [
            'key' => (string) Str::uuid(), 'consent' => 'paper',
        ])->assertSessionHasNoErrors();
        $this->slip = (string) Str::uuid();
        $this->as('101')->add($plan->label);
        $this->does('card-on-file', ['on_file' => (string) DB::table('cards_on_file')->value('id')])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(10650 - 3550, $this->balance($this->customer));
        $this->assertProves();
    }

    public function test_the_statement_says_which_part_it_is(): void
    {
        $plan = $this->plan($this->charge($this->customer, 'MA-0031'));
        $this->get("/accounts/{$this->customer->number}/statement")
            ->assertOk()
            ->assertSee("{$plan->label}, part 2 of 3")
            ->assertDontSee('>Finance charge<', false);
        $this->get("/accounts/{$this->customer->number}")
            ->assertOk()
            ->assertSee('Part of a plan');
    }

    public function test_odd_cents_lie_in_the_first_parts(): void
    {
        $plan = $this->plan($this->charge($this->customer, 'MA-0031'), [
            'charge' => '',
            'count' => '3',
            'first_due' => '2027-01-31',
        ]);

        $this->assertSame([3447, 3447, 3446], $plan->parts->pluck('amount.minor')->all());
        $this->assertSame(
            ['2027-01-31', '2027-02-28', '2027-03-31'],
            $plan->parts->map(static fn (PlanPart $part): string => $part->due->format('Y-m-d'))->all(),
        );
        $this->assertSame(0, Document::query()->where('purpose', 'fee')->count());
        $this->assertProves();
    }

    public function test_payments_meet_the_parts_and_the_ageing_knows_each_due_date(): void
    {
        $plan = $this->plan($this->charge($this->customer, 'MA-0031'), [
            'charge' => '1.60',
            'first_due' => now()->addDays(10)->format('Y-m-d'),
        ]);
        $this->pay($this->customer, '40.00');
        $open = Plan::query()
            ->with('parts.item')
            ->findOrFail($plan->id)
            ->parts->map(static fn (PlanPart $part): int => $part->item->open->minor)
            ->all();
        $this->assertSame([0, 3000, 3500], $open);

        $later = CarbonImmutable::today()->addDays(10)->addMonthsNoOverflow(1)->addDays(40);
        $aged = iterator_to_array(app(AsOf::class)->all($later))[$this->customer->id];
        $this->assertSame([3000, 3500], [$aged->in(AgeBand::To60)->minor, $aged->in(AgeBand::To30)->minor]);
        $this->get("/plans/{$plan->label}")
            ->assertOk()
            ->assertSee('partly met');
        $this->get('/plans')->assertOk()->assertSee($plan->label)->assertSee('1 of 3');
    }

    public function test_the_charge_is_taxed_where_the_shop_says_so(): void
    {
        DB::table('shop')->update(['plan_tax_class' => 'standard']);
        $this->plan($this->charge($this->customer, 'MA-0031'), ['charge' => '11.00']);
        $fee = Document::query()->where('purpose', 'fee')->sole();

        $this->assertSame([1100, 100], [$fee->total->minor, $fee->tax_total->minor], 'The tax is in it.');
        $this->assertProves();
    }

    public function test_settled_early_less_what_is_let_off_of_the_charge(): void
    {
        $plan = $this->plan($this->charge($this->customer, 'MA-0031'), ['charge' => '3.10']);
        $this->pay($this->customer, '35.50');
        $this->post("/plans/{$plan->label}/settle", [
            'key' => (string) Str::uuid(),
            'way' => 'cash',
            'let_off' => '2.08',
            'form' => 'settle',
        ])->assertSessionHasErrors('refused');
        $this->post("/plans/{$plan->label}/settle", [
            'key' => (string) Str::uuid(),
            'way' => 'cheque',
            'let_off' => '2.07',
            'form' => 'settle',
        ])->assertSessionHasErrors('refused');
        $key = (string) Str::uuid();
        $this->post("/plans/{$plan->label}/settle", [
            'key' => $key,
            'way' => 'cash',
            'let_off' => '2.07',
        ])->assertSessionHasNoErrors();
        $this->post("/plans/{$plan->label}/settle", [
            'key' => $key,
            'way' => 'cash',
            'let_off' => '2.07',
        ])->assertSessionHasNoErrors();

        $receipt = Document::query()->where('purpose', 'payment')->latest('id')->firstOrFail();
        $this->assertSame(2, Document::query()->where('purpose', 'payment')->count());
        $this->assertSame(
            [6893, 207, 0],
            [$receipt->total->minor, $receipt->settlement_discount->minor, $this->balance($this->customer)],
        );
        $this->post("/plans/{$plan->label}/settle", [
            'key' => (string) Str::uuid(),
            'way' => 'cash',
        ])->assertSessionHasErrors('refused');
        $this->assertProves();
    }

    public function test_what_cannot_be_a_plan_is_refused_and_nothing_is_posted(): void
    {
        $label = $this->charge($this->customer, 'MA-0031');
        $this->as('301');
        $order = [
            'key' => (string) Str::uuid(),
            'charge' => '3 %',
            'count' => '3',
            'rhythm' => 'month',
            'first_due' => now()->addDays(9)->format('Y-m-d'),
        ];
        $before = $this->rows('documents');

        foreach (
            [
                ['count' => '0'],
                ['count' => 'x'],
                ['rhythm' => 'day'],
                ['first_due' => now()->format('Y-m-d')],
                ['first_due' => '31.1.2027'],
                ['charge' => '-4'],
                ['charge' => 'much'],
            ] as $wrong
        ) {
            $this->post("/documents/{$label}/plan", [...$order, ...$wrong])->assertSessionHasErrors('refused');
            $this->get("/documents/{$label}/plan?".http_build_query([...$order, ...$wrong]))->assertOk();
        }

        $this->pay($this->customer, '103.40');
        $this->get("/documents/{$label}/plan")
            ->assertRedirect("/documents/{$label}")
            ->assertSessionHasErrors('refused');
        $this->post("/documents/{$label}/plan", $order)->assertSessionHasErrors('refused');
        $this->assertSame([0, $before + 1], [Plan::query()->count(), $this->rows('documents')]);
        $this->as('101')
            ->post("/documents/{$label}/plan", $order)
            ->assertForbidden();
    }

    public function test_made_once_however_often_it_is_sent(): void
    {
        $label = $this->charge($this->customer, 'MA-0031');
        $key = (string) Str::uuid();
        $this->plan($label, ['key' => $key]);
        $this->plan($label, ['key' => $key]);
        $this->assertSame(1, Plan::query()->count());
    }

    public function test_reminders_go_out_around_each_due_date_each_only_once(): void
    {
        $plan = $this->plan($this->charge($this->customer, 'MA-0031'), [
            'first_due' => now()->addDays(10)->format('Y-m-d'),
        ]);
        $due = CarbonImmutable::today()->addDays(10);
        $sent = fn (int $days): array => app(SendReminders::class)->handle($due->addDays($days));

        $this->assertSame(0, $sent(-8)['sent']);
        $this->assertSame(1, $sent(-7)['sent']);
        $this->assertSame(0, $sent(-6)['sent'], 'Each only once.');
        $this->assertSame(1, $sent(0)['sent']);
        $this->pay($this->customer, '10.00');
        $this->assertSame(1, $sent(1)['sent']);
        $this->assertSame(1, $sent(5)['sent'], 'The one for day 3 was missed and goes out late.');
        $this->assertSame(0, $sent(6)['sent']);
        $this->pay($this->customer, '25.50');
        $this->assertSame(4, DB::table('sent_mails')->count());
        $this->assertStringContainsString('25.50', (string) DB::table('sent_mails')->latest('id')->value('body'));
        $this->assertSame($plan->id, (int) DB::table('reminders')->value('about_id'));
        $this->assertSame([0, 0], [$sent(7)['sent'], $sent(7)['unreachable']], 'What is met is not reminded of.');
    }

    public function test_layaways_are_reminded_of_and_who_has_no_mail_address_is_listed(): void
    {
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->travelTo($layaway->next_due?->addDay());
        $this->as('301')
            ->get('/reminders')
            ->assertOk()
            ->assertSee('Wren Hollis')
            ->assertSee('1 day late')
            ->assertSee('print it');
        $this->post('/reminders')->assertSessionHas(
            'done',
            '0 reminders were mailed. 1 have no mail address: print those, or call.',
        );
        $this->get("/reminders/layaway:{$layaway->id}:{$layaway->next_due?->format('Y-m-d')}:1.pdf")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf');
        $this->post(
            "/reminders/layaway:{$layaway->id}:{$layaway->next_due?->format('Y-m-d')}:1/done",
        )->assertRedirect();
        $this->get('/reminders')->assertOk()->assertSee('Nobody is to be reminded today');
    }
}
