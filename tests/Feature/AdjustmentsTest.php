<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\AllocationRecord;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Payments\SpreadCredit;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** What is settled otherwise than by paying: written off, let off, moved, disputed; accounts closed. */
final class AdjustmentsTest extends FeatureCase
{
    use Returning;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->as('301');
    }

    private function sold(int $daysAgo = 80, ?Customer $to = null): string
    {
        $this->as('101');
        $label = $this->chargeOn(now()->subDays($daysAgo)->toDateString(), $to ?? $this->customer, 'MA-0031');
        $this->as('301');

        return $label;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<Response>
     */
    private function settles(string $label, string $how, array $fields, ?Customer $of = null): TestResponse
    {
        $number = ($of ?? $this->customer)->number;

        return $this->post("/accounts/{$number}/settle/{$label}/{$how}", [
            'key' => (string) Str::uuid(), 'reason' => 'gone away', ...$fields,
        ]);
    }

    private function last(Purpose $purpose): Document
    {
        return Document::query()->where('purpose', $purpose)->latest('id')->firstOrFail();
    }

    /** @param  array<string, mixed>  $settings */
    private function shopHas(array $settings): void
    {
        Shop::query()->update($settings);
        app(House::class)->shop()->refresh();
    }

    public function test_a_debt_nobody_pays_is_written_off_by_a_document_and_within_a_limit(): void
    {
        $label = $this->sold();
        $this->get("/accounts/{$this->customer->number}")->assertSee('settle');
        $this->get("/accounts/{$this->customer->number}/settle/{$label}")->assertOk()->assertSee('Nobody will pay it');
        $this->settles($label, 'write-off', ['amount' => '20', 'reason' => ''])->assertSessionHasErrors('reason');
        $this->settles($label, 'write-off', ['amount' => '103.41'])->assertSessionHasErrors('amount');
        $this->settles($label, 'write-off', ['amount' => '0'])->assertSessionHasErrors('amount');
        $this->assertSame(10340, $this->open($label));

        $this->settles($label, 'write-off', ['amount' => '103.40'])->assertSessionHasNoErrors();
        $document = $this->last(Purpose::BadDebt);
        $this->assertSame(
            [['bad_debt' => 10340, 'receivables' => -10340], 0, 0],
            [$this->posted($document), $this->open($label), $this->balance($this->customer)],
        );
        $this->assertProves();
    }

    public function test_more_than_ones_limit_is_written_off_only_as_somebody_allowed(): void
    {
        $label = $this->sold();
        DB::table('role_limits')->insert([
            'role' => 'office', 'matter' => 'bad_debt', 'per_document' => 5000, 'per_original' => 6000,
            'per_day' => 8000, 'approves' => 5000,
        ]);
        $this->assertRefused(
            'more than you may write off', $this->settles($label, 'write-off', ['amount' => '103.40']),
        );
        $this->settles($label, 'write-off', ['amount' => '50'])->assertSessionHasNoErrors();
        $this->assertRefused('more than you may write off', $this->settles($label, 'write-off', ['amount' => '20']));
        $other = $this->sold(20);
        $this->assertRefused('more than you may write off', $this->settles($other, 'write-off', ['amount' => '40']));
        $this->settles($other, 'write-off', ['amount' => '30'])->assertSessionHasNoErrors();
        $this->assertSame([5340, 7340], [$this->open($label), $this->open($other)]);
        $allowed = ['approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'seen the letters'];
        $this->settles($label, 'write-off', ['amount' => '53.40', ...$allowed])->assertSessionHasNoErrors();
        $this->assertSame([0, 1], [$this->open($label), DB::table('document_approvals')
            ->where('document_id', $this->last(Purpose::BadDebt)->id)->count()]);
        $this->assertProves();
    }

    public function test_its_tax_is_claimed_back_where_the_shop_says_so_and_owed_again_when_it_is_paid_after_all(): void
    {
        $this->shopHas(['bad_debt_tax' => true]);
        $label = $this->sold();
        $taxes = Document::query()->where('label', $label)->firstOrFail()->tax_total->minor;
        $this->settles($label, 'write-off', ['amount' => '51.70']);
        $half = $this->last(Purpose::BadDebt);
        $posted = $this->posted($half);
        $this->assertEqualsWithDelta($taxes / 2, 5170 - $posted['bad_debt'], 1.0);
        $this->settles($label, 'write-off', ['amount' => '51.70']);
        $this->assertSame(
            $taxes,
            10340 - $posted['bad_debt'] - $this->posted($this->last(Purpose::BadDebt))['bad_debt'],
        );

        $this->settles($half->label, 'owed-again', [])->assertSessionHasNoErrors();
        $again = $this->last(Purpose::DebtRevived);
        $this->assertEquals(
            [array_map(static fn (int $minor): int => -$minor, $posted), 5170],
            [$this->posted($again), $this->open($again->label)],
        );
        $this->assertRefused("owed again by {$again->label} already", $this->settles($half->label, 'owed-again', []));
        $this->pay($this->customer, '51.70');
        $this->assertSame([0, 0], [$this->open($again->label), $this->balance($this->customer)]);
        $this->assertProves();
    }

    public function test_no_money_goes_out_for_what_was_written_off(): void
    {
        $label = $this->sold();
        $this->settles($label, 'write-off', ['amount' => '103.40']);
        $lost = $this->last(Purpose::BadDebt);
        try {
            app(SpreadCredit::class)->handle(
                OpenItemRecord::query()->findOrFail($lost->id), [], 'elsewhere', (string) Str::uuid(),
                $this->staff('301'), Till::query()->with('location')->findOrFail(1),
            );
            $this->fail('It was taken off what it was let off of.');
        } catch (Refused $refused) {
            $this->assertSame('stays_there', $refused->rule);
        }

        $this->assertSame(
            1,
            AllocationRecord::query()->where('credit_id', $lost->id)->count(),
            'What was let off stays where it was let off.',
        );
        $this->pay($this->customer, '40.00');
        $receipt = $this->last(Purpose::Payment);
        $this->as('201')->post("/accounts/{$this->customer->number}/items/{$receipt->label}/pay-out", [
            'key' => (string) Str::uuid(), 'amount' => '40', 'way' => 'cash', 'reference' => '', 'reason' => 'too much',
        ])->assertSessionHasErrors([
            'refused' => '103.40 that they owed is written off. Make it owed again first: the credit meets it.',
        ]);
        $this->assertSame(-4000, $this->balance($this->customer));
        $this->assertProves();
    }

    public function test_a_small_difference_is_let_off_with_the_payment_and_comes_back_with_it(): void
    {
        $label = $this->sold();
        $this->pay($this->customer, '103.35');
        $this->assertSame(5, $this->open($label), 'Nothing is let off where the shop does not say so.');
        $this->shopHas(['small_difference' => 10]);
        $second = $this->sold(20);
        $this->pay($this->customer, '103.36');
        $this->assertSame([0, 0, 0], [$this->open($label), $this->open($second), $this->balance($this->customer)]);
        $letOff = $this->last(Purpose::SmallDifference);
        $this->assertEquals(['receivables' => -9, 'small_differences' => 9], $this->posted($letOff));
        $third = $this->sold(10);
        $this->pay($this->customer, '103.29');
        $this->assertSame(11, $this->open($third), 'More than the tolerance stays owed.');

        $this->post("/documents/{$this->paymentOf($letOff)->label}/returned", [
            'key' => (string) Str::uuid(), 'day' => now()->toDateString(), 'fee' => '0', 'reason' => 'no funds',
        ])->assertSessionHasNoErrors();
        $this->assertSame(10336 + 11 + 9, $this->balance($this->customer));
        $this->assertProves();
    }

    private function paymentOf(Document $letOff): Document
    {
        return Document::query()->findOrFail($letOff->refers_to_id);
    }

    public function test_a_payment_of_today_taken_back_is_owed_whole_again(): void
    {
        $label = $this->sold();
        $this->shopHas(['small_difference' => 10]);
        $receipt = $this->pay($this->customer, '103.35');
        $this->assertSame(0, $this->open($label));
        $this->as('201')->post('/documents/'.Document::query()->findOrFail($receipt)->label.'/reverse', [
            'reason' => 'wrong customer', 'approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'yes',
        ])->assertSessionHasNoErrors();
        $this->assertSame([10340, 10340], [$this->open($label), $this->balance($this->customer)]);
        $this->assertProves();
    }

    public function test_an_item_moves_to_the_account_it_belongs_to_with_its_due_day(): void
    {
        $label = $this->sold();
        $other = $this->account('100.00', 'Ash Roofing');
        $this->settles($label, 'move', ['to' => '99999'])->assertSessionHasErrors('to');
        $this->settles($label, 'move', ['to' => $this->customer->number])->assertSessionHasErrors('to');
        $none = $this->customer('Nobody Yet');
        $this->settles($label, 'move', ['to' => $none->number])->assertSessionHasErrors('to');
        $this->settles($label, 'move', ['to' => $other->number])->assertSessionHasNoErrors();
        $this->assertSame([0, 0, 10340], [
            $this->open($label), $this->balance($this->customer), $this->balance($other),
        ]);
        $moved = $this->last(Purpose::MovedOn);
        $due = Document::query()->where('label', $label)->firstOrFail()->due_date;
        $this->assertTrue($due !== null && $moved->due_date?->equalTo($due));
        $this->assertRefused('Nothing of it is open', $this->settles($label, 'move', ['to' => $other->number]));

        // A credit moves too, and no money goes out for it there.
        $this->pay($this->customer, '30.00');
        $credit = $this->last(Purpose::Payment);
        $this->settles($credit->label, 'move', ['to' => $other->number])->assertSessionHasNoErrors();
        $this->assertSame([0, 7340], [$this->balance($this->customer), $this->balance($other)]);
        $credit = $this->last(Purpose::MovedOff)->label;
        $this->assertRefused('brought no money in', $this->as('201')->post(
            "/accounts/{$other->number}/items/{$credit}/pay-out",
            ['key' => (string) Str::uuid(), 'amount' => '30', 'way' => 'cash', 'reference' => '', 'reason' => 'please'],
        ));
        $this->assertSame(7340, $this->balance($other));
        $this->assertProves();
    }

    public function test_what_is_disputed_is_in_no_charge_and_no_call_and_is_said_on_the_statement(): void
    {
        $label = $this->sold();
        $this->shopHas(['finance_percent' => '1.5', 'finance_grace_days' => 10]);
        $this->get('/finance-charges')->assertSee("{$label} 1.55");
        $this->get('/accounts/calls')->assertSee($this->customer->name);
        $this->settles($label, 'dispute', ['reason' => '', 'form' => 'wrong'])->assertSessionHasErrors('reason');
        $page = (string) $this->get("/accounts/{$this->customer->number}/settle/{$label}")->getContent();
        $said = substr_count($page, 'Write what they say is wrong: that is kept.');
        $this->assertSame(1, $said, 'Beside its own field.');
        $this->settles($label, 'dispute', ['reason' => 'two bags short'])->assertSessionHasNoErrors();
        $this->assertRefused('disputed already', $this->settles($label, 'dispute', ['reason' => 'again']));
        $this->get('/finance-charges')->assertDontSee("{$label} 1.55");
        $this->get('/accounts/calls')->assertDontSee($this->customer->name);
        $this->get("/accounts/{$this->customer->number}")->assertSee('disputed')->assertSee('two bags short');
        $this->get("/accounts/{$this->customer->number}/statement")->assertSee('disputed');
        $this->settles($label, 'settled', ['reason' => 'they were there'])->assertSessionHasNoErrors();
        $this->get('/finance-charges')->assertSee("{$label} 1.55");
        $this->assertSame('they were there', DB::table('disputes')->value('outcome'));
        $this->assertProves();
    }

    public function test_an_account_is_closed_when_nothing_is_open_on_it_and_opened_again(): void
    {
        $label = $this->sold();
        $close = fn (string $reason): TestResponse => $this->post("/accounts/{$this->customer->number}/close", [
            'key' => (string) Str::uuid(), 'reason' => $reason,
        ]);
        $this->assertRefused('One item is open on it still', $close('moved away'));
        $this->settles($label, 'write-off', ['amount' => '103.40']);
        $this->assertRefused('Write why it is closed', $close(''));
        $close('moved away')->assertSessionHasNoErrors();
        $account = HouseAccount::query()->findOrFail($this->customer->id);
        $this->assertSame([true, 'closed: moved away'], [$account->stopped, $account->stop_reason]);
        $this->assertNotNull($account->closed_on);
        $this->get("/accounts/{$this->customer->number}/terms")->assertSee('Closed on');
        $this->post("/accounts/{$this->customer->number}/release", ['reason' => 'back again']);
        $this->assertNull($account->refresh()->closed_on);
    }

    public function test_its_terms_are_looked_at_again_on_a_day(): void
    {
        $at = "/accounts/{$this->customer->number}/review";
        $this->post($at, ['review_on' => 'soon'])->assertSessionHasErrors('review_on');
        $this->post($at, ['review_on' => '2027-03-01'])->assertSessionHasNoErrors();
        $account = HouseAccount::query()->findOrFail($this->customer->id);
        $this->assertTrue(CarbonImmutable::parse('2027-03-01')->equalTo((string) $account->review_on));
        $this->get("/accounts/{$this->customer->number}")->assertDontSee('to be looked at again');
        $this->get('/today')->assertOk()->assertDontSee('Accounts to look at again');
        $this->travelTo(CarbonImmutable::parse('2027-03-01 09:00'));
        $this->get("/accounts/{$this->customer->number}")->assertSee('to be looked at again');
        $this->get('/today')->assertSee('Accounts to look at again')->assertSee($this->customer->name);
        $this->travelBack();
        $this->post($at, ['review_on' => '']);
        $this->assertNull($account->refresh()->review_on);
    }

    public function test_a_statement_is_mailed_at_once(): void
    {
        $this->sold();
        $at = "/accounts/{$this->customer->number}/statement/mail";
        $this->assertRefused('has no mail address', $this->post($at));
        $this->assertSame(0, DB::table('sent_mails')->count());
        $this->customer->update(['mail' => 'office@example.com']);
        $this->post($at)->assertSessionHasNoErrors();
        $this->assertSame(1, DB::table('sent_mails')->count());
        $this->get("/customers/{$this->customer->number}")
            ->assertSee('What was mailed')
            ->assertSee('Statement of account')
            ->assertSee('office@example.com');
    }

    public function test_clerks_settle_nothing(): void
    {
        $label = $this->sold();
        $this->as('101');

        foreach (['write-off', 'owed-again', 'move', 'dispute', 'settled'] as $how) {
            $this->settles($label, $how, ['amount' => '1'])->assertForbidden();
        }

        $this->post("/accounts/{$this->customer->number}/close", ['reason' => 'x'])->assertForbidden();
        $this->assertSame(
            Money::of('103.40', Currency::of('USD'))->minor,
            $this->open($label),
        );
    }
}
