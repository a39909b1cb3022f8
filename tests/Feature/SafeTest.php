<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\BankEntry;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\Drawer;
use Elmstone\Tills\Safe\Lodgement;
use Elmstone\Tills\TillSession;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** From the drawer to the safe, and from the safe to the bank: nothing stays in a clearing account unseen. */
final class SafeTest extends FeatureCase
{
    use Drawers;
    use Returning;

    protected function tillsAreOpen(): bool
    {
        return false;
    }

    /** Sells for cash, by card and for a cheque, and closes on exactly that. */
    private function closesADay(): void
    {
        $this->opens();
        $cash = $this->sell('4 x LH-1140');
        $this->sellByCard('PI-2800');
        $cheque = $this->chequeSale('000101');
        $this->counts(
            [1 => str_replace('.', '', $cash->total->toString())],
            ticked: ["{$cheque->id}-1"],
        )->assertSessionHasNoErrors();
        $this->as('201')->closes('0')->assertSessionHasNoErrors();
        $this->as('301');
    }

    /**
     * @param  array<int, string>  $rows
     * @param  list<string>  $cheques
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function paysIn(array $rows, array $cheques, ?string $key = null): TestResponse
    {
        return $this->post('/safe/pay-in', [
            'key' => $key ?? (string) Str::uuid(),
            'rows' => $rows,
            'paid_cheques' => $cheques,
            'pay_in_reference' => 'BAG 77',
        ]);
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function sends(string $path, array $fields): TestResponse
    {
        return $this->post($path, ['key' => (string) Str::uuid(), ...$fields]);
    }

    private function voids(Document $sale): void
    {
        $this->post("/documents/{$sale->label}/void", [
            'act' => (string) Str::uuid(),
            'approver' => '901',
            'approver_pin' => '4901',
            'approver_reason' => 'wrong customer',
        ])->assertRedirect();
    }

    private function lodgement(): Lodgement
    {
        return Lodgement::query()->with(['document', 'credits'])->orderByDesc('id')->firstOrFail();
    }

    public function test_cash_and_cheques_are_paid_in_with_their_slip_and_credited(): void
    {
        $this->closesADay();
        $cheque = (string) DB::table('safe_cheques')->value('id');
        $this->get('/safe')->assertOk()->assertSee('16.94')->assertSee('000101')->assertSee('T1-0001');
        $this->paysIn([500 => '3'], [$cheque])->assertSessionHasNoErrors();
        $one = $this->lodgement();
        $this->assertSame(['15.00', '4.24', '19.24'], [
            $one->cash->toString(), $one->cheques->toString(), $one->amount->toString(),
        ]);
        $this->assertEquals(
            ['on_way_to_bank' => 1924, 'cash_in_safe' => -1500, 'cheques' => -424],
            $this->posted($one->document->load('journal')),
        );
        $this->assertNull($one->document->session_id);
        $this->get("/safe/lodgements/{$one->id}")->assertOk()->assertSee('BAG 77')->assertSee('000101');
        $this->assertStringStartsWith(
            '%PDF',
            (string) $this->get("/safe/lodgements/{$one->id}/slip.pdf")->assertOk()->getContent(),
        );
        $credit = fn (string $amount, string $day = ''): TestResponse => $this->sends(
            "/safe/lodgements/{$one->id}/credited",
            ['amount' => $amount, 'credited_on' => $day],
        );
        $credit('')->assertSessionHasErrors('amount');
        $credit('19.24', ShopTime::today()->addDay()->format('Y-m-d'))->assertSessionHasErrors('day');
        $credit('19.24', ShopTime::today()->subDay()->format('Y-m-d'))->assertSessionHasErrors('day');
        $credit('19.24')->assertSessionHasNoErrors();
        $credit('19.24')->assertSessionHasErrors('refused');
        $bank = Document::query()->with('journal')->where('purpose', Purpose::BankCredited)->sole();
        $this->assertEquals(['bank' => 1924, 'on_way_to_bank' => -1924], $this->posted($bank));
        $this->assertProves();
    }

    public function test_no_more_is_paid_in_than_the_safe_holds_and_nothing_twice(): void
    {
        $this->closesADay();
        $cheque = (string) DB::table('safe_cheques')->value('id');
        $this->paysIn([2000 => '1'], [])->assertSessionHasErrors('rows');
        $this->paysIn([], [])->assertSessionHasErrors('rows');
        $this->paysIn([300 => '1'], [])->assertSessionHasErrors('rows');
        $this->paysIn([2000 => '-1'], [])->assertSessionHasErrors('rows.2000');
        $this->paysIn([500 => '1'], ['999999'])->assertSessionHasErrors('paid_cheques');
        $key = (string) Str::uuid();
        $this->paysIn([500 => '1'], [$cheque], $key)->assertSessionHasNoErrors();
        $this->paysIn([500 => '1'], [$cheque], $key)->assertSessionHasNoErrors();
        $this->assertSame(1, $this->rows('lodgements'));
        $this->paysIn([500 => '2'], [$cheque], $key)->assertSessionHasErrors();
        $this->paysIn([500 => '1'], [$cheque])->assertSessionHasErrors('paid_cheques');
        $this->assertSame(1, $this->rows('lodgements'));
        // Of another location's safe nothing is seen, or taken.
        $this->as('301', 3)->paysIn([500 => '1'], [])->assertSessionHasErrors('rows');
        $this->as('101')->paysIn([500 => '1'], [])->assertForbidden();
        $this->assertProves();
    }

    public function test_a_cheque_in_the_safe_is_handed_back_but_not_once_it_is_paid_in(): void
    {
        $this->opens();
        $sale = $this->chequeSale('000101');
        $this->counts([], ticked: ["{$sale->id}-1"]);
        $this->as('201')->closes('0')->assertSessionHasNoErrors();
        $this->opens();
        $other = $this->chequeSale('000102');
        $this->counts([], seen: 0, ticked: ["{$other->id}-1"]);
        $this->closes('0')->assertSessionHasNoErrors();
        $this->opens();
        $this->voids($sale);
        $void = Document::query()->with('journal')->where('purpose', Purpose::Void)->sole();
        $this->assertSame(-424, $this->posted($void)['cheques']);
        $this->as('301');
        $cheques = DB::table('safe_cheques')->orderBy('id')->pluck('id')->map(strval(...))->all();
        $this->get('/safe')->assertOk()->assertDontSee('000101')->assertSee('000102');
        $this->paysIn([], [$cheques[0]])->assertSessionHasErrors('paid_cheques');
        $this->paysIn([], [$cheques[1]])->assertSessionHasNoErrors();
        $this->as('201')->voids($other);
        $this->assertSame(1, Document::query()->where('purpose', Purpose::Void)->count());
        // Neither the void in this session nor the other is looked for in its drawer.
        $this->counts([], seen: 0)->assertSessionHasNoErrors();
        $this->assertTrue($this->drawer()->counts[0]->isRight());
        $this->assertProves();
    }

    public function test_a_cheque_in_another_drawer_is_handed_back_out_of_that_one(): void
    {
        $this->opens();
        $here = $this->chequeSale('000101');
        $this->chequeSale('000102');
        $this->as('201', 2)->opens();
        $this->voids($here);
        $this->assertSame('4.24', $this->expects(1, 'cheque'));
        $this->assertSame('0.00', $this->expects(2, 'cheque'));
        $this->assertDrawersAreRight();
        $this->assertProves();
    }

    public function test_a_cheque_in_a_drawer_that_is_counted_waits_until_it_is_closed(): void
    {
        $this->opens();
        $sale = $this->chequeSale('000101');
        $this->counts([], seen: 0, ticked: ["{$sale->id}-1"]);
        $this->as('201', 2)->opens();
        $this->voids($sale);
        $this->assertSame(0, Document::query()->where('purpose', Purpose::Void)->count());
        $this->as('301')->closes('0')->assertSessionHasNoErrors();
        $this->as('201', 2)->voids($sale);
        $this->assertSame(1, Document::query()->where('purpose', Purpose::Void)->count());
        $this->assertSame('4.24', $this->expects(1, 'cheque'), 'What was closed stays as it was closed.');
        $this->assertDrawersAreRight();
        $this->assertProves();
    }

    private function expects(int $till, string $way): string
    {
        $session = TillSession::query()->where('till_id', $till)->latest('id')->firstOrFail();

        return app(Drawer::class)->expected($session)[$way]->toString();
    }

    public function test_what_the_bank_credits_less_stays_on_its_way_until_it_is_settled(): void
    {
        $this->closesADay();
        $this->paysIn([500 => '3'], [])->assertSessionHasNoErrors();
        $id = $this->lodgement()->id;
        $settle = fn (string $left, string $reason): TestResponse => $this->sends(
            "/safe/lodgements/{$id}/settle",
            ['left' => $left, 'reason' => $reason],
        );
        $settle('15.00', 'gone')->assertSessionHasErrors('refused');
        $this->sends("/safe/lodgements/{$id}/credited", ['amount' => '14.00'])->assertSessionHasNoErrors();
        $this->get("/safe/lodgements/{$id}")->assertOk()->assertSee('Settle the difference')->assertSee('1.00');
        $settle('1.00', '')->assertSessionHasErrors('reason');
        $settle('0.50', 'a note was false')->assertSessionHasErrors('refused');
        $settle('1.00', 'a note was false')->assertSessionHasNoErrors();
        $short = Document::query()->with('journal')->where('purpose', Purpose::BankShort)->sole();
        $this->assertEquals(['bank_differences' => 100, 'on_way_to_bank' => -100], $this->posted($short));
        $settle('1.00', 'again')->assertSessionHasErrors('refused');
        // And more than was paid in, by another.
        $this->paysIn([100 => '1'], [])->assertSessionHasNoErrors();
        $id = $this->lodgement()->id;
        $this->sends("/safe/lodgements/{$id}/credited", ['amount' => '1.25'])->assertSessionHasNoErrors();
        $this->sends("/safe/lodgements/{$id}/settle", ['left' => '-0.25', 'reason' => 'a coin too many'])
            ->assertSessionHasNoErrors();
        $over = Document::query()->with('journal')->where('purpose', Purpose::BankOver)->sole();
        $this->assertEquals(['on_way_to_bank' => 25, 'bank_differences' => -25], $this->posted($over));
        $this->assertProves();
    }

    public function test_cards_are_paid_out_less_the_fee_once(): void
    {
        $this->closesADay();
        $session = (string) $this->drawer()->id;
        $taken = DB::table('till_count_ways')->where('way', 'card')->value('counted');
        $out = fn (array $batches, string $fee): TestResponse => $this->sends('/safe/cards', [
            'batches' => $batches, 'fee' => $fee, 'payout_reference' => 'PAY 1',
        ]);
        $out([], '0.30')->assertSessionHasErrors('batches');
        $out(['999999'], '0.30')->assertSessionHasErrors('batches');
        $out([$session], '5000')->assertSessionHasErrors('fee');
        $out([$session], '-1')->assertSessionHasErrors('fee');
        $this->sends('/safe/cards', [
            'batches' => [$session], 'fee' => '0.30', 'paid_on' => ShopTime::today()->subDay()->format('Y-m-d'),
        ])->assertSessionHasErrors('day');
        $this->assertSame(0, $this->rows('lodgements'));
        $out([$session], '0.30')->assertSessionHasNoErrors();
        $out([$session], '0.30')->assertSessionHasErrors('batches');
        $payout = Document::query()->with('journal')->where('purpose', Purpose::CardPayout)->sole();
        $this->assertEquals(
            ['on_way_to_bank' => $taken - 30, 'card_fees' => 30, 'card_clearing' => -$taken],
            $this->posted($payout),
        );
        $this->get('/safe')->assertOk()->assertSee('Card payout');
        $this->assertProves();
    }

    public function test_the_acquirers_file_is_posted_whole_or_not_at_all(): void
    {
        $this->closesADay();
        $file = (string) $this->get('/safe/payouts.csv')->assertOk()->streamedContent();
        $this->assertStringContainsString('T1-0001', $file);
        $read = fn (string $csv): TestResponse => $this->post('/safe/payouts', [
            'file' => UploadedFile::fake()->createWithContent('payout.csv', $csv),
        ]);
        $read('a,b')->assertSessionHasErrors('file');
        $read(str_replace('T1-0001', 'T1-0009', $file))->assertSessionHasErrors('file');
        $taken = explode(',', explode("\n", $file)[1])[3];
        $read(str_replace(",{$taken},", ',1.00,', $file))->assertSessionHasErrors('file');
        $read($file."P2,2026-02-30,T1-0001,{$taken},0\r\n")->assertSessionHasErrors('file');
        $this->assertSame(0, $this->rows('lodgements'));
        $read($file)->assertSessionHasNoErrors();
        $this->assertSame(1, $this->rows('lodgements'));
        $read($file)->assertSessionHasErrors('file');
        $this->post('/safe/payouts')->assertSessionHasErrors('file');
        $this->as('201')->get('/safe')->assertForbidden();
        $this->assertProves();
    }

    public function test_a_bank_files_credit_meets_what_was_paid_in(): void
    {
        $this->closesADay();
        $this->paysIn([500 => '3'], [])->assertSessionHasNoErrors();
        $one = $this->lodgement();
        $day = ShopTime::today()->format('Y-m-d');
        $csv = "date,amount,payer,reference\n{$day},15.00,,Cash paid in {$one->document->label}\n"
            ."{$day},14.00,,Cash paid in\n{$day},15.00,,Cash paid in again\n";
        $this->post('/bank', ['file' => UploadedFile::fake()->createWithContent('bank.csv', $csv)])
            ->assertRedirect();
        $file = (int) DB::table('bank_files')->value('id');
        DB::table('bank_entries')->count() > 0 || $this->post("/bank/{$file}/columns", [
            'date' => '0', 'amount' => '1', 'payer' => '2', 'reference' => '3', 'order' => 'ymd', 'decimal' => '.',
        ])->assertRedirect();
        [$named, $less, $again] = BankEntry::query()->orderBy('position')->get()->all();
        $this->get("/bank/{$file}")->assertOk()->assertSee("Paying-in {$one->document->label}");
        $meet = fn (BankEntry $entry, int $lodgement): TestResponse => $this->post(
            "/bank/{$file}/entries/{$entry->id}/meet",
            ['lodgement' => (string) $lodgement],
        );
        $this->get("/bank/{$file}/entries/{$less->id}")->assertOk()->assertSee($one->document->label);
        $meet($less, $one->id)->assertSessionHasNoErrors();
        $this->assertSame('1.00', $this->lodgement()->onTheWay()->toString());
        $meet($less, $one->id)->assertSessionHasErrors('refused');
        $this->sends("/safe/lodgements/{$one->id}/settle", ['left' => '1.00', 'reason' => 'short by a dollar'])
            ->assertSessionHasNoErrors();
        $meet($named, $one->id)->assertSessionHasErrors('refused');
        $this->paysIn([100 => '1'], [])->assertSessionHasNoErrors();
        $meet($again, $this->lodgement()->id)->assertSessionHasNoErrors();
        $this->assertSame(['posted', 'posted'], [$less->refresh()->state, $again->refresh()->state]);
        $this->assertSame('open', $named->refresh()->state);
        $this->assertProves();
    }

    public function test_what_is_on_no_list_any_more_is_found(): void
    {
        $this->closesADay();
        $this->paysIn([500 => '3'], [(string) DB::table('safe_cheques')->value('id')])->assertSessionHasNoErrors();

        foreach (
            [
                'UPDATE safe_cheques SET amount = amount + 1', 'DELETE FROM safe_cheques',
                'UPDATE lodgements SET cash = cash + 1', 'DELETE FROM lodgement_units',
                'UPDATE safe_cheques SET lodgement_id = NULL',
            ] as $sql
        ) {
            try {
                DB::statement($sql);
                $this->fail($sql);
            } catch (QueryException $refused) {
                $this->assertSame('45000', (string) $refused->getCode());
            }
        }

        DB::table('lodgement_batches')->insert([
            'session_id' => $this->drawer()->id, 'lodgement_id' => $this->lodgement()->id,
        ]);
        $faults = implode("\n", app(Prove::class)->handle()->faults);
        $this->assertStringContainsString('card batches that are not paid out', $faults);
    }

    public function test_the_safe_is_counted_and_what_is_missing_is_posted(): void
    {
        $this->closesADay();
        $count = fn (array $rows, string $seen, string $note): TestResponse => $this->sends('/safe/count', [
            'rows' => $rows, 'left' => $seen, 'note' => $note,
        ]);
        $this->get('/safe/count')->assertOk()->assertSee('16.94');
        $count([1 => '1694'], '16.94', '')->assertSessionHasNoErrors();
        $this->assertSame(0, Document::query()->whereIn('purpose', [Purpose::SafeOver, Purpose::SafeShort])->count());
        $count([1 => '1600'], '16.94', '')->assertSessionHasErrors('note');
        $count([1 => '1600'], '17.00', 'a drop that never came')->assertSessionHasErrors('rows');
        $count([1 => '1600'], '16.94', 'a drop that never came')->assertSessionHasNoErrors();
        $short = Document::query()->with('journal')->where('purpose', Purpose::SafeShort)->sole();
        $this->assertEquals(['cash_in_safe' => -94, 'over_short' => 94], $this->posted($short));
        $count([1 => '1700'], '16.00', 'it was behind the shelf')->assertSessionHasNoErrors();
        $over = Document::query()->with('journal')->where('purpose', Purpose::SafeOver)->sole();
        $this->assertEquals(['cash_in_safe' => 100, 'over_short' => -100], $this->posted($over));
        $this->as('201')->get('/safe/count')->assertForbidden();
        $this->assertProves();
    }

    public function test_cash_is_fetched_from_the_bank_for_the_safe(): void
    {
        $this->as('301')->sends('/safe/fetch', ['amount' => ''])->assertSessionHasErrors('amount');
        $this->sends('/safe/fetch', ['amount' => '200', 'fetch_note' => 'coins'])->assertSessionHasNoErrors();
        $fetched = Document::query()->with('journal')->where('purpose', Purpose::CashFetched)->sole();
        $this->assertEquals(['cash_in_safe' => 20000, 'bank' => -20000], $this->posted($fetched));
        $this->get("/documents/{$fetched->label}")->assertOk()->assertSee('Cash from the bank for the safe');
        $this->assertProves();
        $this->expectException(Refused::class);
        app(\Elmstone\Tills\Safe\FetchCash::class)->handle(
            Till::query()->findOrFail(1),
            $fetched->total->negated(),
            '',
            Staff::query()->firstOrFail(),
            (string) Str::uuid(),
        );
    }
}
