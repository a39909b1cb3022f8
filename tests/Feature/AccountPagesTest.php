<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Statements\RunStatements;
use Elmstone\Receivables\Statements\Statement;
use Elmstone\Receivables\Statements\StatementOptions;
use Elmstone\Receivables\Statements\StatementPdf;
use Elmstone\Receivables\Statements\StatementRun;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Illuminate\Support\Facades\DB;
use Smalot\PdfParser\Parser;

/** The account page, ageing, calls, statements and finance charges. */
final class AccountPagesTest extends FeatureCase
{
    use Charges;

    public function test_the_account_as_of_any_day(): void
    {
        $customer = $this->account('5000.00', terms: ['late' => 365]);
        $first = $this->chargeOn(now()->subDays(80)->toDateString(), $customer, 'MA-0031');
        $this->chargeOn(now()->subDays(10)->toDateString(), $customer, 'LH-1140');
        $this->pay($customer, '100.00', day: now()->subDays(20)->toImmutable());
        $this->as('301')
            ->get("/accounts/{$customer->number}")
            ->assertOk()
            ->assertSee('7.64')
            ->assertSee('50 days late')
            ->assertSee($first);
        $this->get("/accounts/{$customer->number}?as_of=".now()->subDays(21)->toDateString())
            ->assertOk()
            ->assertSee('As of')
            ->assertSee('103.40')
            ->assertSee('29 days late');
        $this->get("/accounts/{$customer->number}?as_of=".now()->subDays(200)->toDateString())
            ->assertOk()
            ->assertSee('Nothing is owed');
        $this->get("/accounts/{$customer->number}?as_of=nonsense")->assertSessionHasErrors('as_of');
        $this->get("/accounts/{$customer->number}?kind=credit")
            ->assertOk()
            ->assertSee('RCT-000001');
        $csv = $this->get("/accounts/{$customer->number}/account.csv")->streamedContent();
        $this->assertStringContainsString('RCT-000001,Receipt', $csv);
        $this->assertStringContainsString('7.64,USD', $csv);
        $this->get("/accounts/{$this->customer('Nobody yet')->number}")->assertRedirect();
    }

    public function test_an_allocation_made_later_does_not_change_what_was_open_before(): void
    {
        $customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->chargeOn(now()->subDays(80)->toDateString(), $customer, 'MA-0031');
        $this->pay($customer, '40.00', day: now()->subDays(30)->toImmutable());
        $asOf = app(AsOf::class);
        $written = static fn (int $ago): array => array_map(
            static fn ($amount): string => $amount->toString(),
            $asOf->ageing($customer->id, now()->subDays($ago)->toImmutable())->columns,
        );
        $this->assertSame('63.40', $written(30)['1-30']);
        $this->assertSame('103.40', $written(31)['1-30']);
        $this->assertSame('103.40', $written(60)['not_due']);
        $this->assertSame(['63.40', '0.00'], [$written(0)['31-60'], $written(0)['unused_credit']]);
    }

    public function test_the_ageing_of_all_accounts_sums_and_drills_down(): void
    {
        $one = $this->account('5000.00', 'Ash Roofing');
        $two = $this->account('5000.00', 'Birch Walls');
        $this->chargeOn(now()->subDays(125)->toDateString(), $one, 'MA-0031');
        $this->chargeOn(now()->subDays(40)->toDateString(), $two, 'LH-1140');
        $this->pay($two, '10.00', day: now()->subDay()->toImmutable());
        $this->as('301')
            ->get('/accounts')
            ->assertOk()
            ->assertSeeInOrder(['Ash Roofing', '103.40', 'Birch Walls', '−5.76', 'All accounts', '97.64']);
        $this->get('/accounts?band=over_90')->assertSee('Ash Roofing')->assertDontSee('Birch Walls');
        $this->get('/accounts?find=birch')->assertSee('Birch Walls')->assertDontSee('Ash Roofing</a>', false);
        $csv = $this->get('/accounts/ageing.csv')->streamedContent();
        $this->assertStringContainsString(
            "{$one->number},\"Ash Roofing\",0.00,0.00,0.00,0.00,103.40,0.00,103.40,USD",
            $csv,
        );
        $this->get('/accounts?as_of='.now()->subDays(130)->toDateString())->assertSee('Nobody owes anything');
    }

    public function test_calls_and_promises_lead_the_worklist(): void
    {
        $broken = $this->account('5000.00', 'Ash Roofing');
        $waits = $this->account('5000.00', 'Birch Walls');
        $never = $this->account('5000.00', 'Cedar Floors');

        foreach ([$broken, $waits, $never] as $customer) {
            $this->chargeOn(now()->subDays(60)->toDateString(), $customer, 'MA-0031');
        }

        $this->as('301')
            ->post("/accounts/{$broken->number}/calls", ['note' => ''])
            ->assertSessionHasErrors(['note' => 'Write what was said.']);
        $this->post("/accounts/{$broken->number}/calls", [
            'note' => 'x',
            'promised' => '5',
            'promised_on' => now()->subDay()->toDateString(),
        ])->assertSessionHasErrors('promised_on');
        $this->post("/accounts/{$broken->number}/calls", [
            'note' => 'x',
            'promised' => '0',
            'promised_on' => now()->toDateString(),
        ])->assertSessionHasErrors('promised');
        $this->post("/accounts/{$broken->number}/calls", [
            'note' => 'half tomorrow',
            'promised' => '50',
            'promised_on' => now()->addDay()->toDateString(),
        ])->assertSessionHasNoErrors();
        $this->post("/accounts/{$waits->number}/calls", [
            'note' => 'next week',
            'call_again_on' => now()->addWeek()->toDateString(),
        ])->assertSessionHasNoErrors();
        $this->get('/accounts/calls')->assertSeeInOrder(['not called yet', 'Cedar Floors', 'waits']);
        $this->travel(2)->days();
        $this->get('/accounts/calls')->assertSeeInOrder([
            'promise broken', 'Ash Roofing', 'not called yet', 'Cedar Floors', 'waits', 'Birch Walls',
        ]);
        $this->get("/accounts/{$broken->number}")->assertSee('Broken promise');
        $this->travel(-1)->days();
        $this->pay($broken, '50.00', day: now()->toImmutable());
        $this->travelBack();
        $this->travel(2)->days();
        $this->get('/accounts/calls')->assertDontSee('promise broken');
    }

    public function test_a_statement_of_open_items_and_one_with_the_balance_brought_forward(): void
    {
        $customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->chargeOn(now()->subDays(80)->toDateString(), $customer, 'MA-0031');
        $this->chargeOn(now()->subDays(3)->toDateString(), $customer, 'LH-1140');
        $this->pay($customer, '3.40', day: now()->subDays(2)->toImmutable());
        $this->as('301')
            ->get("/accounts/{$customer->number}/statement?kind=open_item")
            ->assertOk()
            ->assertSeeInOrder(['INV-000001', '103.40', '100.00', 'INV-000002', '4.24', 'Amount due USD 104.24']);
        $this->get("/accounts/{$customer->number}/statement?kind=open_item&older_than=30")
            ->assertSee('INV-000001')
            ->assertDontSee('INV-000002')
            ->assertSee('Newer items, not listed, come to 4.24');
        $from = now()->subDays(10)->toDateString();
        $this->get(
            "/accounts/{$customer->number}/statement?kind=balance_forward&as_of="
                .now()->toDateString()
                ."&from={$from}",
        )->assertSeeInOrder(['Brought forward', '103.40', 'INV-000002', '107.64', 'RCT-000001', '104.24']);
        $pdf = $this->get("/accounts/{$customer->number}/statement.pdf")
            ->assertOk()
            ->getContent();
        $text = (new Parser)->parseContent((string) $pdf)->getText();
        $this->assertStringContainsString('104.24', $text);
        $this->assertStringContainsString('Fern & Flint Paving', $text);
    }

    public function test_a_run_makes_each_statement_once_is_stopped_goes_on_and_gives_the_same_paper_again(): void
    {
        $mailed = [];

        foreach (['Ash', 'Birch', 'Cedar', 'Dogwood'] as $i => $name) {
            $customer = $this->account('5000.00', "{$name} Works", [
                'late' => 365,
                'way' => $i < 2 ? StatementWay::Mail : StatementWay::Print,
            ]);
            $i === 0 && $customer->update(['mail' => 'ash@example.com']);
            $this->chargeOn(now()->subDays(40)->toDateString(), $customer, 'LH-1140');
        }

        $this->account('5000.00', 'Owes Nothing');
        $make = app(RunStatements::class);
        $run = $make->begin(StatementOptions::of(now()->toImmutable()), $this->staff('301'));
        $this->assertSame([4, 2], [$run->wanted, $make->step($run, 2)]);
        $this->as('301')
            ->post("/statements/runs/{$run->id}/stop")
            ->assertRedirect();
        $this->assertSame(2, $make->step($run, 2));
        $this->get("/statements/runs/{$run->id}")
            ->assertSee('Stopped')
            ->assertSee('2 of 4');
        $this->post("/statements/runs/{$run->id}/go-on");
        $this->post("/statements/runs/{$run->id}/step")
            ->assertOk()
            ->assertSee('All made');
        $this->assertSame(0, $make->step($run, 5));
        $this->assertSame(
            ['done', 1, 3],
            [$run->refresh()->state, $this->rows('sent_mails'), Statement::query()->where('state', 'made')->count()],
        );
        $this->assertSame(
            'no mail address: printed instead',
            Statement::query()->where('trouble', '<>', '')->value('trouble'),
        );
        $before = app(StatementPdf::class)->of([Statement::query()->firstOrFail()->paper()]);
        $this->chargeOn(
            now()->subDays(39)->toDateString(),
            \Elmstone\Customers\Customer::query()->where('name', 'Ash Works')->firstOrFail(),
            'MA-0031',
        );
        $text = static fn (string $pdf): string => (new Parser)->parseContent($pdf)->getText();
        $this->assertSame(
            $text($before),
            $text(
                (string) $this->as('301')
                    ->get('/statements/'.Statement::query()->firstOrFail()->id.'.pdf')
                    ->getContent(),
            ),
        );
        $this->assertSame(
            3,
            count(
                (new Parser)
                    ->parseContent((string) $this->get("/statements/runs/{$run->id}/print.pdf")->getContent())
                    ->getPages(),
            ),
        );
        $this->get('/statements')->assertSee('done');
    }

    public function test_a_run_nobody_needs_says_so(): void
    {
        $this->as('301')
            ->post('/statements', ['as_of' => now()->toDateString()])
            ->assertSessionHasErrors(['refused' => 'Nobody who gets statements owes anything as of that day.']);
        $this->assertSame(0, StatementRun::query()->count());
    }

    public function test_finance_charges_are_looked_at_posted_once_a_month_and_never_on_themselves(): void
    {
        $customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->chargeOn(now()->subDays(80)->toDateString(), $customer, 'MA-0031');
        $this->as('301')->get('/finance-charges')->assertOk()->assertSee('The shop charges none');
        $settings = [
            'finance_percent' => '1,5',
            'finance_grace_days' => '10',
            'finance_minimum' => '0',
            'returned_payment_fee' => '25',
            'bank_account' => 'account 1',
        ];
        $this->post('/finance-charges/settings', [
            ...$settings,
            'finance_percent' => 'much',
            'finance_minimum' => '-1',
            'finance_grace_days' => 'x',
        ])->assertSessionHasErrors(['finance_percent', 'finance_minimum', 'finance_grace_days']);
        $this->post('/finance-charges/settings', $settings)->assertSessionHasNoErrors();
        $shop = Shop::query()->firstOrFail();
        $this->assertSame(
            ['1.5000', 10, '0.00', '25.00', 'account 1'],
            [
                $shop->finance_percent,
                $shop->finance_grace_days,
                $shop->finance_minimum->toString(),
                $shop->returned_payment_fee->toString(),
                $shop->bank_account,
            ],
        );
        app(House::class)->shop()->refresh();
        $this->get('/finance-charges')->assertSee('1.55')->assertSee('INV-000001 1.55');
        $this->post('/finance-charges', ['accounts' => [$customer->id]])->assertSessionHas(
            'done',
            'One account was charged.',
        );
        $this->post('/finance-charges', ['accounts' => [$customer->id]])->assertSessionHas(
            'done',
            '0 accounts were charged.',
        );
        $this->assertSame(
            [155, 10495],
            [
                Document::query()->where('purpose', 'finance_charge')->toBase()->value('total'),
                $this->balance($customer),
            ],
        );
        $this->travel(2)->months();
        $this->get('/finance-charges')->assertSee('1.55')->assertDontSee('ADJ-000001 1.55');
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_stop_and_release_are_on_record_with_their_reasons(): void
    {
        $customer = $this->account();
        $this->as('201')
            ->post("/accounts/{$customer->number}/stop", ['reason' => ''])
            ->assertSessionHasErrors('refused');
        $this->post("/accounts/{$customer->number}/stop", ['reason' => 'cheque bounced'])->assertSessionHasNoErrors();
        $this->get("/accounts/{$customer->number}")
            ->assertSee('On stop')
            ->assertSee('cheque bounced');
        $this->as('301')
            ->post("/accounts/{$customer->number}/release", ['reason' => 'paid up'])
            ->assertSessionHasNoErrors();
        $this->assertSame(
            ['account opened', 'put on stop', 'released'],
            DB::table('customer_changes')
                ->where('customer_id', $customer->id)
                ->whereIn('what', ['account opened', 'put on stop', 'released'])
                ->orderBy('id')
                ->pluck('what')
                ->all(),
        );
    }

    public function test_terms_that_cannot_be_are_said_beside_their_field(): void
    {
        $customer = $this->customer();
        $this->as('301')
            ->get("/accounts/{$customer->number}/terms")
            ->assertOk()
            ->assertSee('Open a house account');
        $fields = [
            'credit_limit' => '500',
            'terms_kind' => 'net',
            'terms_days' => '30',
            'allowed_overdue_days' => '15',
            'statement_kind' => 'open_item',
            'statement_way' => 'print',
        ];
        $this->post("/accounts/{$customer->number}/terms", [
            ...$fields,
            'credit_limit' => '-1',
        ])->assertSessionHasErrors('credit_limit');
        $this->post("/accounts/{$customer->number}/terms", [
            ...$fields,
            'terms_kind' => 'day_of_next_month',
            'terms_days' => '32',
        ])->assertSessionHasErrors('terms_days');
        $this->post("/accounts/{$customer->number}/terms", $fields)->assertSessionHasNoErrors();
        $this->post("/accounts/{$customer->number}/terms", [
            ...$fields,
            'credit_limit' => '700',
        ])->assertSessionHasErrors(['refused' => 'Say why the limit changes: the reason is kept.']);
        $this->post("/accounts/{$customer->number}/terms", [
            ...$fields,
            'version' => '99',
            'reason' => 'x',
        ])->assertSessionHasErrors('refused');
    }
}
