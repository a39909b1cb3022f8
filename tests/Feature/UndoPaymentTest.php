<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Payments\PaymentOrder;
use Elmstone\Receivables\Payments\SpreadCredit;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

/** A payment of an earlier day that was posted and never came. */
final class UndoPaymentTest extends FeatureCase
{
    use Returning;

    private const ALLOWED = ['approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'never in the drawer'];

    private Customer $customer;

    private string $invoice;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->invoice = $this->chargeOn(now()->subDays(20)->toDateString(), $this->customer, 'MA-0031');
        Location::query()->update(['closed_through' => '2000-01-01']);
    }

    private function took(string $amount, TenderKind $kind = TenderKind::Cash, int $daysAgo = 3): Document
    {
        $day = CarbonImmutable::today()->subDays($daysAgo);
        $this->travelTo($day->setTime(11, 0));
        $taken = app(TakePayment::class)->handle(
            new PaymentOrder(
                $this->customer->id, Money::of($amount, Currency::of('USD')), $kind, '771', $day,
                (string) Str::uuid(),
            ),
            Till::query()->with('location')->findOrFail(1),
            $this->staff('301'),
        );
        $this->travelBack();

        return Document::query()->findOrFail($taken);
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<Response>
     */
    private function undo(Document $receipt, array $fields = self::ALLOWED): TestResponse
    {
        return $this->as('301')->post("/documents/{$receipt->label}/undo", ['reason' => 'typed twice', ...$fields]);
    }

    private function error(): Document
    {
        return Document::query()->where('purpose', Purpose::PostedInError)->sole();
    }

    public function test_it_is_owed_again_and_taken_off_what_was_short(): void
    {
        $receipt = $this->took('103.40');
        $this->assertSame([0, 0], [$this->open($this->invoice), $this->balance($this->customer)]);
        $this->as('301')->get("/documents/{$receipt->label}")->assertSee('It never came');
        $this->undo($receipt)->assertSessionHasNoErrors();
        $this->assertEquals(['receivables' => 10340, 'over_short' => -10340], $this->posted($this->error()));
        $this->assertSame([10340, 10340], [$this->open($this->invoice), $this->balance($this->customer)]);
        $this->assertSame(0, $this->open($receipt->label) + $this->open($this->error()->label));
        $this->assertDrawersAreRight();
        $this->get("/documents/{$receipt->label}")->assertDontSee('It never came');
        $this->assertProves();
    }

    public function test_only_as_another_person_allowed_who_sees_how_the_drawer_came_out(): void
    {
        $receipt = $this->took('50.00');
        $this->assertRefused('for two to say', $this->undo($receipt, []));
        $own = ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'I said so'];
        $this->undo($receipt, $own)->assertSessionHasErrors();
        $this->undo($receipt, ['reason' => ' '] + self::ALLOWED)->assertSessionHasErrors();
        $this->as('101')->post("/documents/{$receipt->label}/undo", self::ALLOWED)->assertForbidden();
        $this->assertSame(-5000 + 10340, $this->balance($this->customer));
        $this->undo($receipt)->assertSessionHasNoErrors();
        $this->assertStringContainsString(
            'no difference was found in its drawer',
            (string) DB::table('approvals')->orderByDesc('id')->value('detail'),
        );
    }

    public function test_once_and_not_what_came_back_or_is_of_today(): void
    {
        $receipt = $this->took('50.00', TenderKind::Cheque);
        $this->undo($receipt)->assertSessionHasNoErrors();
        $this->undo($receipt);
        $this->assertSame(10340, $this->balance($this->customer), 'Twice is once.');
        $bounce = fn (Document $paid): TestResponse => $this->post("/documents/{$paid->label}/returned", [
            'key' => (string) Str::uuid(), 'day' => now()->toDateString(), 'fee' => '0', 'reason' => 'no funds',
        ]);
        $this->assertRefused('taken back already', $bounce($receipt));
        $other = $this->took('20.00', TenderKind::Cheque);
        $bounce($other)->assertSessionHasNoErrors();
        $this->assertRefused('taken back or paid out already', $this->undo($other));
        $this->assertRefused('of today', $this->undo($this->took('10.00', daysAgo: 0)));
        $sale = Document::query()->where('label', $this->invoice)->firstOrFail();
        $this->assertRefused('no payment on an account', $this->undo($sale));
        $this->assertProves();
    }

    public function test_unused_credit_of_it_is_not_paid_out_afterwards_nor_undone_after_it_was(): void
    {
        $receipt = $this->took('150.00');
        $out = fn (string $amount): TestResponse => $this->as('201')->post(
            "/accounts/{$this->customer->number}/items/{$receipt->label}/pay-out",
            [
                'key' => (string) Str::uuid(), 'amount' => $amount, 'way' => 'cash', 'reference' => '',
                'reason' => 'wants it', ...self::ALLOWED,
            ],
        );
        $out('20')->assertSessionHasNoErrors();
        $this->assertRefused('taken back or paid out already', $this->undo($receipt));
        $second = $this->took('40.00');
        $this->undo($second)->assertSessionHasNoErrors();
        $this->as('201')->post("/accounts/{$this->customer->number}/items/{$second->label}/pay-out", [
            'key' => (string) Str::uuid(), 'amount' => '5', 'way' => 'cash', 'reference' => '', 'reason' => 'x',
            ...self::ALLOWED,
        ])->assertSessionHasErrors();
        $this->assertProves();
    }

    public function test_what_stands_on_another_account_goes_back_first(): void
    {
        $receipt = $this->took('150.00');
        $other = $this->account('100.00', 'Ash Roofing');
        $this->as('301')->post("/accounts/{$this->customer->number}/settle/{$receipt->label}/move", [
            'key' => (string) Str::uuid(), 'reason' => 'theirs', 'to' => $other->number,
        ])->assertSessionHasNoErrors();
        $this->assertRefused('Move that back first', $this->undo($receipt));
    }

    public function test_a_small_difference_let_off_with_it_is_owed_again_too(): void
    {
        Shop::query()->update(['small_difference' => 10]);
        app(House::class)->shop()->refresh();
        $receipt = $this->took('103.35', TenderKind::BankTransfer);
        $this->assertSame(0, $this->balance($this->customer));
        $this->undo($receipt)->assertSessionHasNoErrors();
        $this->assertEquals(['receivables' => 10335, 'bank' => -10335], $this->posted($this->error()));
        $this->assertSame([10340, 10340], [$this->open($this->invoice), $this->balance($this->customer)]);
        $this->assertProves();
    }

    public function test_what_a_card_was_charged_for_or_is_held_by_it_came(): void
    {
        $this->slip = (string) Str::uuid();
        $this->as('101')->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->does('on-account', ['on_account' => '10'])->assertOk();
        $this->does('card', ['card' => '10'])->assertOk();
        $this->does('post')->assertOk();
        $receipt = $this->document();
        $this->travelTo(now()->addDays(2));
        $this->assertRefused('A card was charged for it', $this->undo($receipt));
    }

    /** @return iterable<string, array{string}> what uses a credit up, by which act */
    public static function whatUsesItUp(): iterable
    {
        yield 'paid out' => ['pay-out'];
        yield 'the bank took it back' => ['returned'];
        yield 'it never came' => ['undo'];
        yield 'it is another account’s' => ['move'];
    }

    #[DataProvider('whatUsesItUp')]
    public function test_a_credit_that_is_used_up_is_not_had_again_by_spreading_it_anew(string $how): void
    {
        $receipt = $this->took('150.00', TenderKind::Cheque);
        $other = $this->account('100.00', 'Ash Roofing');
        $fields = [
            'key' => (string) Str::uuid(), 'reason' => 'so', 'day' => now()->toDateString(), 'fee' => '0',
            'amount' => '46.60', 'way' => 'cheque', 'reference' => '9', 'to' => $other->number, ...self::ALLOWED,
        ];
        $at = "/accounts/{$this->customer->number}";
        $this->as($how === 'pay-out' ? '201' : '301')->post(match ($how) {
            'pay-out' => "{$at}/items/{$receipt->label}/pay-out",
            'move' => "{$at}/settle/{$receipt->label}/move",
            default => "/documents/{$receipt->label}/{$how}",
        }, $fields)->assertSessionHasNoErrors();
        $open = $this->open($receipt->label);
        $balances = [$this->balance($this->customer), $this->balance($other)];

        app(SpreadCredit::class)->handle(
            OpenItemRecord::query()->findOrFail($receipt->id), [], 'elsewhere', (string) Str::uuid(),
            $this->staff('301'), Till::query()->with('location')->findOrFail(1),
        );
        // What met the invoice is free again; what was used up is not.
        $met = in_array($how, ['pay-out', 'move'], true) ? 10340 : 0;
        $this->assertSame([$open + $met, ...$balances], [
            $this->open($receipt->label), $this->balance($this->customer), $this->balance($other),
        ]);
        $this->as('301')->get("{$at}/items/{$receipt->label}")->assertOk()->assertDontSee('ADJ-');
        $this->assertProves();
    }
}
