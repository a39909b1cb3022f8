<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Ageing\Call;
use Elmstone\Receivables\Ageing\Worklist;
use Elmstone\Receivables\Payments\ReturnPayment;
use Elmstone\Receivables\Statements\RunStatements;
use Elmstone\Receivables\Statements\Statement;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementOptions;
use Elmstone\Receivables\Statements\StatementRun;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\Till;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Statements, cheques, merges, tables of customers, calls and discounts, as the office works with them. */
final class OfficeWorkTest extends FeatureCase
{
    use Returning;

    /** @param  array<string, mixed>  $terms */
    private function owing(string $name, string $day, string $entry = 'MA-0031', array $terms = []): Customer
    {
        $customer = $this->account('5000.00', $name, $terms);
        $this->chargeOn($day, $customer, $entry);

        return $customer;
    }

    private function madeRun(int $olderThan, bool $again = false): StatementRun
    {
        return app(RunStatements::class)->begin(
            StatementOptions::of(CarbonImmutable::parse('2026-11-25'), null, $olderThan),
            $this->staff('301'),
            $again,
        );
    }

    public function test_a_run_of_older_items_takes_whom_it_should_whichever_kind_they_get(): void
    {
        $worst = $this->owing('Worst', '2026-06-01', '9 x MA-0031', ['late' => 900]);
        HouseAccount::query()
            ->whereKey($worst->id)
            ->update(['statement_kind' => StatementKind::BalanceForward]);
        $new = $this->owing('New', '2026-11-20');
        HouseAccount::query()
            ->whereKey($new->id)
            ->update(['statement_kind' => StatementKind::BalanceForward]);
        $withCredit = $this->owing('Credit', '2026-11-20');
        $this->pay($withCredit, '500.00', day: CarbonImmutable::parse('2026-09-01'));
        $this->travelTo('2026-11-25 10:00');
        $run = $this->madeRun(30);
        $this->assertSame([$worst->id], $run->statements()->pluck('customer_id')->all());
        app(RunStatements::class)->step($run, 10);
        $this->assertSame(['made'], $run->statements()->pluck('state')->all());
    }

    public function test_the_amount_due_leaves_out_parts_that_fall_due_later(): void
    {
        $customer = $this->owing('Parts', '2026-11-02');
        $this->travelTo('2026-11-25 10:00');
        $label = (string) DB::table('open_items')->where('customer_id', $customer->id)->value('label');
        $this->as('301')
            ->post("/documents/{$label}/plan", [
                'key' => (string) Str::uuid(),
                'count' => '2',
                'first_due' => '2026-11-26',
                'rhythm' => 'month',
            ])
            ->assertSessionHasNoErrors();
        $account = HouseAccount::query()->with('customer')->findOrFail($customer->id);
        $data = app(\Elmstone\Receivables\Statements\StatementPaper::class)->of(
            $account,
            StatementOptions::of(CarbonImmutable::parse('2026-11-30')),
        );
        $this->assertSame([5325, '53.25'], [$data['due_minor'], $data['later'] ?? '']);
    }

    public function test_the_same_run_again_warns(): void
    {
        $this->owing('One', '2026-10-01');
        $this->travelTo('2026-11-25 10:00');
        $this->as('301')
            ->post('/statements', ['as_of' => '2026-11-25'])
            ->assertSessionHasNoErrors();
        $this->post('/statements', ['as_of' => '2026-11-25'])->assertSessionHasErrors('refused');
        $this->post('/statements', ['as_of' => '2026-11-25', 'again' => '1'])->assertSessionHasNoErrors();
        $this->assertSame(2, StatementRun::query()->count());
    }

    public function test_a_run_that_broke_off_between_two_mails_loses_nobody(): void
    {
        foreach (['A', 'B', 'C'] as $name) {
            $customer = $this->owing($name, '2026-10-01', terms: ['way' => StatementWay::Mail]);
            $customer->update(['mail' => strtolower($name).'@example.test']);
        }

        $this->travelTo('2026-11-25 10:00');
        $run = $this->madeRun(0);
        // As after a kill: all made, of one it is not known whether it went, two not begun.
        app(RunStatements::class)->step($run, 0);
        DB::table('statements')
            ->where('run_id', $run->id)
            ->update([
                'state' => 'made',
                'data' => json_encode(
                    app(\Elmstone\Receivables\Statements\StatementPaper::class)->of(
                        HouseAccount::query()->with('customer')->firstOrFail(),
                        StatementOptions::fromArray($run->options),
                    ),
                ),
            ]);
        $unsure = Statement::query()->where('run_id', $run->id)->firstOrFail();
        $unsure->forceFill(['state' => 'mailing', 'mailing_at' => now()])->save();
        $this->assertSame(0, app(RunStatements::class)->step($run, 10));
        $this->assertDatabaseCount('sent_mails', 2);
        // Somebody may be at it right now: it is not said to be lost, and does not go a second time.
        $this->as('301')->get("/statements/runs/{$run->id}")->assertSee('being mailed')->assertDontSee('not known');
        $this->post("/statements/{$unsure->id}/mail-again");
        $this->post("/statements/{$unsure->id}/count-as-mailed");
        app(RunStatements::class)->step($run->refresh(), 10);
        $this->assertSame([2, 'mailing'], [DB::table('sent_mails')->count(), $unsure->refresh()->state]);
        $this->travel(6)->minutes();
        $this->get("/statements/runs/{$run->id}")
            ->assertSee('not known whether it was mailed')
            ->assertSee('mail again')
            ->assertSee('it went');
        $this->post("/statements/{$unsure->id}/mail-again")->assertRedirect();
        app(RunStatements::class)->step($run->refresh(), 10);
        $this->assertSame(
            [3, ['mailed']],
            [DB::table('sent_mails')->count(), Statement::query()->distinct()->pluck('state')->all()],
        );
    }

    public function test_a_mail_server_that_does_not_answer_is_said_and_tried_again(): void
    {
        $this->owing('A', '2026-10-01', terms: ['way' => StatementWay::Mail])->update(['mail' => 'a@example.test']);
        $this->travelTo('2026-11-25 10:00');
        $this->as('901')->post('/devices/mailbox', ['broken' => '1']);
        $run = $this->madeRun(0);
        app(RunStatements::class)->step($run, 10);
        $statement = Statement::query()->firstOrFail();
        $this->assertSame(['failed', 'The mail server does not answer.'], [$statement->state, $statement->trouble]);
        $this->post('/devices/mailbox', ['broken' => '0']);
        $this->as('301')->post("/statements/{$statement->id}/mail-again");
        app(RunStatements::class)->step($run->refresh(), 10);
        $this->assertSame('mailed', $statement->refresh()->state);
    }

    public function test_the_cheque_sheet_sums_all_keeps_the_day_and_shows_what_is_dated_before(): void
    {
        $customer = $this->account();
        $this->as('301');
        $yesterday = now()->subDay()->toDateString();
        $line = static fn (int $i, string $day): array => [
            'customer' => (string) $customer->number,
            'amount' => '1.00',
            'kind' => 'cheque',
            'reference' => "C{$i}",
            'day' => $day,
            'key' => (string) Str::uuid(),
        ];
        $this->post('/accounts/cheques', $line(1, $yesterday))
            ->assertOk()
            ->assertSee("value=\"{$yesterday}\"", false)
            ->assertSee('1 entered today');

        for ($i = 2; $i <= 62; $i++) {
            $this->pay($customer, '1.00', "C{$i}");
        }

        $this->get('/accounts/cheques')->assertOk()->assertSee('62 entered today')->assertSee('62.00');
    }

    public function test_the_stricter_of_two_accounts_holds_when_they_are_made_one(): void
    {
        $free = $this->account('500.00', 'Free');
        $stopped = $this->account('9000.00', 'Stopped', ['late' => 30]);
        $label = $this->charge($stopped, 'LH-1140');
        HouseAccount::query()
            ->whereKey($stopped->id)
            ->update(['purchase_order_required' => true]);
        app(ManageAccount::class)->stop($stopped->id, 'does not pay', $this->staff('301'));
        $this->as('301')
            ->get("/accounts/{$stopped->number}/merge?into={$free->number}")
            ->assertOk()
            ->assertSeeInOrder(['On stop', 'yes', 'no', 'yes']);
        $this->post("/accounts/{$stopped->number}/merge", [
            'into' => (string) $free->number,
        ])->assertSessionHasNoErrors();
        $account = HouseAccount::query()->findOrFail($free->id);
        $this->assertSame(
            [true, 50000, 15, true, 'does not pay'],
            [
                $account->stopped,
                $account->credit_limit->minor,
                $account->allowed_overdue_days,
                $account->purchase_order_required,
                $account->stop_reason,
            ],
        );
        $this->get("/customers/{$free->number}")->assertSee($label);
        $this->assertProves();
    }

    public function test_a_table_of_customers_changes_limits_leaves_what_is_empty_and_shows_each_change(): void
    {
        $customer = $this->account('500.00', 'Ash Roofing');
        $customer->update(['mail' => 'old@example.test', 'town' => 'Harrow']);
        $csv = "number,name,mail,town,limit,terms_days\n{$customer->number},Ash Roofing,,-,750.00,14\n";
        $this->as('301')
            ->post('/tables/customers', ['file' => UploadedFile::fake()->createWithContent('c.csv', $csv)])
            ->assertOk()
            ->assertSee('limit: 500.00 → 750.00')
            ->assertSee('town: Harrow → nothing')
            ->assertSee('terms: ')
            ->assertDontSee('mail:');
        $this->post('/tables/customers/bring-in', ['csv' => hash('sha256', $csv)])->assertSessionHas('done');
        $customer->refresh();
        $account = HouseAccount::query()->findOrFail($customer->id);
        $this->assertSame(
            ['old@example.test', '', 75000, 14, 15],
            [
                $customer->mail,
                $customer->town,
                $account->credit_limit->minor,
                $account->terms_days,
                $account->allowed_overdue_days,
            ],
        );
        $this->post('/tables/customers', ['file' => UploadedFile::fake()->createWithContent('c.csv', $csv)])->assertSee(
            '1 as they are',
        );
    }

    public function test_a_bounced_payment_keeps_no_promise_and_covered_lateness_is_not_called_about(): void
    {
        $customer = $this->owing('Late', '2026-09-01');
        $this->travelTo('2026-11-20 10:00');
        $call = Call::query()->create([
            'customer_id' => $customer->id,
            'staff_id' => $this->staff('301')->id,
            'note' => 'will pay',
            'promised' => Money::of('50.00', Currency::of('USD')),
            'promised_on' => '2026-11-22',
            'called_on' => '2026-11-20',
            'called_at' => now(),
        ]);
        $paid = $this->pay($customer, '50.00');
        $this->travelTo('2026-11-25 10:00');
        $this->assertFalse($call->isBroken());
        app(ReturnPayment::class)->handle(
            Document::query()->with('tenders')->findOrFail($paid),
            Money::zero(Currency::of('USD')),
            'no funds',
            CarbonImmutable::today(),
            (string) Str::uuid(),
            Till::query()->with('location')->findOrFail(1),
            $this->staff('301'),
        );
        $this->assertTrue($call->isBroken());
        $this->assertCount(1, app(Worklist::class)->today(CarbonImmutable::today()));
        $credit = $this->pay($customer, '200.00');
        app(\Elmstone\Receivables\Payments\SpreadCredit::class)->handle(
            \Elmstone\Receivables\Ledger\OpenItemRecord::query()->findOrFail($credit),
            [],
            'not meant for it',
            (string) Str::uuid(),
            $this->staff('301'),
            Till::query()->with('location')->findOrFail(1),
        );
        $this->assertTrue(app(AsOf::class)->ageing($customer->id, CarbonImmutable::today())->late()->isPositive());
        $this->assertSame([], app(Worklist::class)->today(CarbonImmutable::today()));
    }

    public function test_a_credit_note_leaves_the_discount_on_what_remains(): void
    {
        $customer = $this->account('5000.00', terms: ['discount' => '2']);
        $this->charge($customer, '2 x MA-0031');
        $sale = $this->document();
        $this->back($sale, [1 => '1'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertDatabaseHas('open_items', ['label' => $sale->label, 'open' => 10340]);
        $receipt = Document::query()->findOrFail($this->pay($customer, '101.33'));
        $this->assertSame([207, 0], [$receipt->settlement_discount->minor, $this->open($sale->label)]);
        $this->assertProves();
    }

    public function test_who_pays_in_full_in_time_makes_no_credit_where_the_clerk_says_so(): void
    {
        $customer = $this->account('5000.00', terms: ['discount' => '2']);
        $label = $this->charge($customer, 'MA-0031');
        $this->as('301');
        $fields = [
            'key' => (string) Str::uuid(),
            'kind' => 'cheque',
            'reference' => '7',
            'amount' => '103.40',
            'day' => now()->toDateString(),
            'spread' => 'oldest',
        ];
        $this->post("/accounts/{$customer->number}/payment/draw", $fields)->assertSee(
            'they paid in full: give no discount',
        );
        $this->post("/accounts/{$customer->number}/payment", [...$fields, 'leave_discount' => '1'])->assertOk();
        $this->assertSame([0, 0], [$this->open($label), $this->balance($customer)]);
    }

    public function test_at_the_counter_too(): void
    {
        $customer = $this->account('5000.00', terms: ['discount' => '2']);
        $label = $this->charge($customer, 'MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('on-account', ['on_account' => '103.40'])
            ->assertOk()
            ->assertSee('2.07 discount is given');
        $this->does('leave-discount', ['leaves' => '1'])
            ->assertOk()
            ->assertSee('no discount: they pay in full');
        $this->does('cash', ['cash' => '103.40'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            [0, 0, 0],
            [$this->open($label), $this->balance($customer), $this->document()->settlement_discount->minor],
        );
        $this->assertProves();
    }

    public function test_a_discount_given_none_of_is_not_carried_to_another_payment(): void
    {
        $customer = $this->account('5000.00', terms: ['discount' => '2']);
        $this->charge($customer, 'MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('on-account', ['on_account' => '103.40'])->assertOk();
        $this->does('leave-discount', ['leaves' => '1'])->assertOk();
        $this->does('on-account', ['on_account' => ''])->assertOk();
        $this->does('on-account', ['on_account' => '103.40'])
            ->assertOk()
            ->assertSee('2.07 discount is given');
    }

    public function test_in_tables_that_go_out_what_goes_back_is_below_zero(): void
    {
        $customer = $this->account();
        $this->charge($customer, 'MA-0031');
        $this->pay($customer, '150.00');
        $sale = $this->sell('MA-0031');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->as('201')
            ->post("/accounts/{$customer->number}/items/RCT-000001/pay-out", [
                'key' => (string) Str::uuid(),
                'amount' => '16.60',
                'way' => 'cash',
                'reason' => 'asked for it',
                'approver' => '901',
                'approver_pin' => '4901',
                'approver_reason' => 'known',
            ])
            ->assertSessionHasNoErrors();
        $this->as('301');
        $row = fn (string $csv, string $label): array => str_getcsv(
            collect(explode("\n", $this->get($csv)->assertOk()->streamedContent()))->sole(
                static fn (string $line): bool => str_contains($line, $label),
            ),
            ',',
            '"',
            '',
        );
        $this->assertSame(
            ['103.40', '-103.40', '-16.60'],
            array_map(static fn (string $label): string => $row('/documents.csv', $label)[10], [
                $sale->label,
                'CN-000001',
                'RFD-000001',
            ]),
        );
        $this->get('/documents')->assertOk()->assertSee('−103.40');
        $account = "/accounts/{$customer->number}/account.csv";
        $this->assertSame(
            [['103.40', '', '0.00', '103.40'], ['', '150.00', '-30.00', '-46.60']],
            [array_slice($row($account, 'INV-000001'), 6, 4), array_slice($row($account, 'RCT-000001'), 6, 4)],
        );
    }

    public function test_a_discount_does_not_run_beyond_the_due_day_and_a_card_in_the_office_has_a_reference(): void
    {
        $customer = $this->account();
        $terms = [
            'credit_limit' => '100',
            'terms_kind' => 'net',
            'terms_days' => '10',
            'discount_percent' => '2',
            'discount_days' => '11',
            'allowed_overdue_days' => '15',
            'statement_kind' => 'open_item',
            'statement_way' => 'print',
            'reason' => 'x',
        ];
        $this->as('301')
            ->post("/accounts/{$customer->number}/terms", $terms)
            ->assertSessionHasErrors('discount_days');
        $this->post("/accounts/{$customer->number}/terms", [
            ...$terms,
            'terms_kind' => 'at_once',
            'terms_days' => '0',
            'discount_days' => '1',
        ])->assertSessionHasErrors('discount_days');
        $this->post("/accounts/{$customer->number}/terms", [
            ...$terms,
            'discount_days' => '10',
        ])->assertSessionHasNoErrors();
        $pay = [
            'key' => (string) Str::uuid(),
            'kind' => 'card',
            'reference' => '',
            'amount' => '5.00',
            'day' => now()->toDateString(),
            'spread' => 'oldest',
        ];
        $this->post("/accounts/{$customer->number}/payment", $pay)
            ->assertStatus(422)
            ->assertSee('authorisation');
    }
}
