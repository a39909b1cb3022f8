<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Devices\BatchReport;
use Elmstone\Devices\CardTerminal;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\Days\Closing;
use Elmstone\Tills\OpenSessions;
use Elmstone\Tills\TillCount;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Mockery;

/** Who may use a drawer, what closes with it, and days and months that close. */
final class TillDayTest extends FeatureCase
{
    use Drawers;
    use Returning;

    protected function tillsAreOpen(): bool
    {
        return false;
    }

    private function place(): string
    {
        return (string) Till::query()->findOrFail(1)->location_id;
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function closesDay(string $day): TestResponse
    {
        return $this->post('/calendar/close', ['location' => $this->place(), 'day' => $day]);
    }

    public function test_no_money_is_taken_at_a_till_that_is_not_open_and_it_is_opened_in_place(): void
    {
        $this->get("/counter/{$this->slip}")->assertOk()->assertSee('is not open')->assertSee('as it was left in');
        $this->add('LH-1140');
        $this->does('card')->assertStatus(422)->assertSee('not open yet');
        $this->assertSame(0, $this->rows('card_requests'));
        $this->assertSame(0, $this->rows('terminal_requests'));
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('not open yet')->assertSee('count it');
        $this->assertSame(0, $this->documents());
        $key = (string) Str::uuid();
        $this->post('/till/open', ['key' => $key, 'rows' => [2000 => '3'], 'slip' => $this->slip])
            ->assertRedirect("/counter/{$this->slip}");
        $this->get("/counter/{$this->slip}")->assertOk()->assertDontSee('is not open');
        $this->does('post')->assertOk();
        $this->assertSame(OpenSessions::at(1)?->id, $this->document()->session_id);
        $this->assertDrawersAreRight();
        $this->assertProves();
    }

    public function test_a_drawer_of_ones_own_is_used_by_its_holder_and_handed_over_with_a_pin(): void
    {
        $this->as('301')->post('/till/terms/1', ['per_person' => '1'])->assertSessionHasNoErrors();
        $this->post('/till/terms/2', ['per_person' => '1'])->assertSessionHasNoErrors();
        $this->as('101')->opens([2000 => '5']);
        $this->post('/till/terms/1', ['per_person' => '0'])->assertForbidden();
        $this->as('301')->post('/till/terms/1', ['per_person' => '0'])->assertSessionHasErrors('refused');
        $this->as('101', 2)->opens([2000 => '5'])->assertSessionHasErrors('refused');
        $this->assertNull(OpenSessions::at(2));
        $this->as('201')->add('LH-1140');
        $this->does('card')->assertStatus(422)->assertSee('another person’s');
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('another person’s');
        $this->post('/till/hand-over', ['to_number' => '201', 'to_pin' => '4999'])->assertSessionHasErrors('refused');
        $this->assertSame(0, $this->rows('till_hand_overs'));
        $this->as('101')
            ->post('/till/hand-over', ['to_number' => '201', 'to_pin' => '4201'])
            ->assertSessionHasNoErrors();
        $this->assertSame('Super Slate', OpenSessions::at(1)?->holder?->name);
        // Nobody takes it from somebody who is not there.
        $this->post('/till/hand-over', ['to_number' => '101', 'to_pin' => '4101'])->assertSessionHasErrors('refused');
        $this->as('201')->does('post')->assertOk();
        $this->sell('LH-1140');
        $this->as('101')->counts([2000 => '1'])->assertSessionHasErrors('refused');
        // On a count, which stays on record.
        $this->as('201')->counts([2000 => '1'], seen: 0)->assertSessionHasNoErrors();
        $this->post('/till/hand-over', ['to_number' => '101', 'to_pin' => '4101'])->assertSessionHasNoErrors();
        $this->assertSame(
            [[null, 1], [1, 2]],
            DB::table('till_hand_overs')->orderBy('id')->get()->map(static fn (object $row): array => [
                $row->count_id === null ? null : 1, (int) $row->id,
            ])->all(),
        );
        $this->as('101')->sell('LH-1140');
        $this->assertSame(1, $this->rows('till_sessions'));
    }

    public function test_nobody_opens_a_till_while_the_clock_is_behind_its_last_close_or_the_day_is_closed(): void
    {
        $this->closesOn();
        CarbonImmutable::setTestNow(now()->subHours(3));
        $this->opens()->assertSessionHasErrors(['refused']);
        $this->assertNull(OpenSessions::at(1));
        CarbonImmutable::setTestNow();
        Location::query()->update(['closed_through' => ShopTime::today()->format('Y-m-d')]);
        $this->opens()->assertSessionHasErrors('refused');
        $this->assertNull(OpenSessions::at(1));
    }

    public function test_cheques_are_ticked_one_by_one_and_what_is_missing_is_short(): void
    {
        $this->opens();
        $this->chequeSale('000101');
        $kept = $this->chequeSale('000102');
        $this->get('/till/count')->assertOk()->assertSee('000101')->assertSee('000102');
        $this->counts([], cheques: '7.00', ticked: ["{$kept->id}-1", '999999-1', 'x'])->assertSessionHasNoErrors();
        $ways = $this->drawer()->counts[0]->ways->keyBy(static fn ($way): string => $way->way->value);
        $this->assertSame('8.48', $ways['cheque']->expected->toString());
        $this->assertSame('11.24', $ways['cheque']->counted->toString());
        $this->as('201');
        $this->closes('0', 'one is gone, another lay there')->assertSessionHasNoErrors();
        $this->assertSame(
            ['000102' => '4.24', '' => '7.00'],
            DB::table('safe_cheques')->orderBy('id')->pluck('amount', 'number')
                ->map(static fn (mixed $amount): string => number_format((int) $amount / 100, 2))->all(),
        );
        $this->get("/till/sessions/{$this->drawer()->id}")->assertOk()->assertSee('000102');
        $this->assertProves();
    }

    public function test_the_terminals_own_report_holds_and_may_disagree(): void
    {
        $this->opens();
        $sale = $this->sellByCard('PI-2800');
        $this->get('/till/count')->assertOk()->assertSee($sale->total->toString())->assertSee('one payment');
        $this->post('/devices/batch', ['off' => '0.50', 'way' => 'less'])->assertSessionHasNoErrors();
        // What is typed for cards counts for nothing while the terminal answers.
        $this->counts([], cards: $sale->total->toString())->assertSessionHasNoErrors();
        $card = $this->drawer()->counts[0]->ways->first(static fn ($way): bool => $way->way->value === 'card');
        $this->assertSame('-0.50', $card?->difference()->toString());
        $this->assertTrue($this->drawer()->counts[0]->cards_reported);
        $this->as('201');
        $this->closes('0', 'the terminal says so')->assertSessionHasNoErrors();
        $short = Document::query()->with('journal')->where('purpose', Purpose::TillShort)->sole();
        $this->assertEquals(['card_clearing' => -50, 'card_differences' => 50], $this->posted($short));
        $this->assertProves();
    }

    public function test_a_card_approved_while_it_was_being_counted_is_in_the_count(): void
    {
        $this->opens();
        $none = Money::zero(Currency::of('USD'));
        $two = Money::of('2.00', $none->currency);
        $terminal = Mockery::mock(CardTerminal::class);
        $terminal->shouldReceive('report')->andReturn(
            new BatchReport(0, $none, $none),
            new BatchReport(1, $two, $none),
        );
        $this->app->instance(CardTerminal::class, $terminal);
        $this->counts([])->assertSessionHasNoErrors();
        $this->assertSame(
            [[1, '0.00'], [2, '2.00']],
            $this->drawer()->counts->map(static fn (TillCount $count): array => [
                $count->number,
                $count->ways->firstOrFail('way', TenderKind::Card)->counted->toString(),
            ])->all(),
        );
    }

    public function test_where_the_terminal_is_silent_what_its_paper_says_is_typed(): void
    {
        $this->opens();
        $sale = $this->sellByCard('PI-2800');
        $this->terminal('silent_approve');
        $this->get('/till/count')->assertOk()->assertSee('does not answer');
        $this->terminal('off_line')->counts([], cards: $sale->total->toString())->assertSessionHasNoErrors();
        $this->assertFalse($this->drawer()->counts[0]->cards_reported);
        $this->assertTrue($this->drawer()->counts[0]->isRight());
    }

    public function test_a_till_is_not_counted_while_a_card_is_without_answer_or_without_document(): void
    {
        $this->opens();
        $this->add('PI-2800');
        $this->terminal('silent_approve')->does('card')->assertOk();
        $this->counts([])->assertSessionHasErrors('refused');
        $card = $this->slip()->cards[0]->id;
        $this->does("card/{$card}/ask")->assertOk();
        $this->counts([])->assertSessionHasErrors('refused');
        $this->get('/till/count')->assertOk()->assertSee('Still open here')->assertSee('approved, and on no document');
        $this->assertSame(0, $this->rows('till_counts'));
        $this->does('post')->assertOk();
        $this->counts([])->assertSessionHasNoErrors();
        // Counted, it takes no card either.
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')->does('card')->assertStatus(422)->assertSee('has been counted');
    }

    public function test_tolerances_a_note_and_a_second_signature(): void
    {
        $this->as('301')
            ->post('/till/terms', ['note_over' => '0.10', 'witness_over' => '5', 'blind_counts' => '1'])
            ->assertSessionHasNoErrors();
        $this->get('/till/terms')->assertOk()->assertSee('0.10')->assertSee('one drawer for whoever is at it');
        $this->post('/till/terms', ['note_over' => '-1', 'witness_over' => '5'])->assertSessionHasErrors('note_over');
        $this->as('201');
        $this->opens([2000 => '5']);
        $this->counts([2000 => '5', 5 => '2']);
        $this->closes('100')->assertSessionHasNoErrors();
        $this->opens();
        $this->counts([2000 => '4', 1000 => '1', 500 => '1']);
        $this->closes('90')->assertSessionHasErrors('note');
        $this->closes('90', 'no idea')->assertSessionHasNoErrors();
        $this->opens();
        $this->counts([2000 => '4', 100 => '4', 25 => '3']);
        $this->closes('80', 'no idea')->assertSessionHasErrors('approver');
        $sign = static fn (string $number): array => [
            'approver' => $number,
            'approver_pin' => "4{$number}",
            'approver_reason' => 'seen',
        ];
        $this->closes('80', 'no idea', $sign('201'))->assertSessionHasErrors('approver');
        $this->closes('80', 'no idea', $sign('101'))->assertSessionHasErrors();
        $this->closes('80', 'no idea', $sign('301'))->assertSessionHasNoErrors();
        $this->assertSame('Office Oak', $this->drawer()->witness?->name);
        // Who closes what another counted is the second already.
        $this->as('101')->opens();
        $this->counts([2000 => '1']);
        $this->as('201')->closes('20', 'no idea')->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_change_is_fetched_and_petty_cash_keeps_the_picture_of_its_receipt(): void
    {
        $this->opens([2000 => '5']);
        $move = fn (array $fields): mixed => $this->post('/till/cash', [
            'key' => (string) Str::uuid(), 'account' => '', 'reason' => '', ...$fields,
        ]);
        $move(['what' => 'change', 'amount' => '40', 'reason' => 'quarters'])->assertSessionHasNoErrors();
        $moved = Document::query()->whereIn('purpose', [Purpose::CashDrop, Purpose::CashUp])->orderBy('id')->get();
        $this->assertSame(
            [['cash_drop', '40.00'], ['cash_up', '40.00']],
            $moved->map(static fn (Document $one): array => [
                $one->purpose->value, $one->total->toString(),
            ])->all(),
        );
        $petty = ['what' => 'petty_cash', 'amount' => '5', 'account' => 'petty_postage', 'reason' => 'stamps'];
        $move([...$petty, 'receipt' => UploadedFile::fake()->createWithContent('r.png', '<?php echo 1;')])
            ->assertSessionHasErrors('receipt');
        $this->assertSame(0, Document::query()->where('purpose', Purpose::PettyCash)->count());
        $picture = UploadedFile::fake()->image('receipt.png', 8, 8);
        $bytes = $picture->getContent();
        $move([...$petty, 'receipt' => $picture])->assertSessionHasNoErrors();
        $document = Document::query()->where('purpose', Purpose::PettyCash)->sole()->id;
        $this->assertSame(
            $bytes,
            $this->get("/till/receipts/{$document}")
                ->assertOk()
                ->assertHeader('Content-Type', 'image/png')
                ->getContent(),
        );
        $this->as('101', 3)->get("/till/receipts/{$document}")->assertNotFound();
        $this->assertProves();
    }

    public function test_a_reading_changes_nothing_and_is_for_who_closes(): void
    {
        $this->opens([2000 => '5']);
        $sale = $this->sell('LH-1140');
        $this->get('/till/reading')->assertForbidden();
        $this->as('201')
            ->get('/till/reading')
            ->assertOk()
            ->assertSee('Reading of')
            ->assertSee($sale->total->plus($this->drawer()->float_amount)->toString());
        $this->assertSame('open', $this->drawer()->state->value);
        $this->does('drawer', ['drawer_reason' => 'a bank note to change'])->assertOk();
        $this->get('/till/reading')->assertOk()->assertSee('opened once without a sale');
        // Where counts are not blind a clerk sees it on the page of the till.
        Shop::query()->firstOrFail()->update(['blind_counts' => false]);
        $this->as('101')->get('/till')->assertOk()->assertSee('What should be there now');
    }

    public function test_a_day_closes_when_its_drawers_have_and_nothing_is_posted_into_it(): void
    {
        $this->opens();
        $sale = $this->sell('LH-1140');
        $today = ShopTime::today()->format('Y-m-d');
        $close = fn (string $day): mixed => $this->closesDay($day);
        $close($today)->assertForbidden();
        $this->as('201');
        $close(ShopTime::today()->addDay()->format('Y-m-d'))->assertSessionHasErrors("close{$this->place()}");
        $close($today)->assertSessionHasErrors("close{$this->place()}");
        $this->counts([1 => str_replace('.', '', $sale->total->toString())])->assertSessionHasNoErrors();
        $this->closes('0')->assertSessionHasNoErrors();
        $close($today)->assertSessionHasNoErrors();
        $this->get('/calendar')->assertOk()->assertSee('closed');
        $close($today)->assertSessionHasErrors("close{$this->place()}");
        // Neither goods nor money, at whichever till, nor by a slip that lay there.
        $this->opens()->assertSessionHasErrors('refused');
        $this->expectsRefusal(static fn () => Scene::stock(
            [\Elmstone\Catalogue\Item::query()->firstOrFail()],
            1,
        ), 'day_closed');
        $this->post('/calendar/reopen', ['location' => $this->place(), 'day' => $today, 'reason' => 'x'])
            ->assertForbidden();
        $this->as('901');
        $reopen = fn (string $reason): mixed => $this->post('/calendar/reopen', [
            'location' => $this->place(), 'day' => $today, 'reason' => $reason,
        ]);
        $reopen('')->assertSessionHasErrors('reopen');
        $reopen('the delivery came late')->assertSessionHasNoErrors();
        $this->assertSame('the delivery came late', Closing::query()->sole()->reason);
        $this->get('/calendar')->assertOk()->assertSee('the delivery came late');
        $this->as('101')->opens()->assertSessionHasNoErrors();
        $this->sell('LH-1140');
        $this->assertProves();
    }

    public function test_a_document_in_a_closed_day_and_a_closing_that_is_changed_are_found(): void
    {
        $this->closesOn();
        $this->as('201')->closesDay(ShopTime::today()->format('Y-m-d'))->assertSessionHasNoErrors();
        Location::query()->whereKey($this->place())->update(['closed_through' => ShopTime::today()->subDays(2)]);
        $this->as('101')->opens();
        $this->sell('LH-1140');
        $faults = implode("\n", app(Prove::class)->handle()->faults);
        $this->assertStringContainsString('posted into a closed day', $faults);
        $this->assertStringContainsString('the last closed day', $faults);

        foreach (['UPDATE closings SET through = through + INTERVAL 1 DAY', 'DELETE FROM closings'] as $sql) {
            try {
                DB::statement($sql);
                $this->fail($sql);
            } catch (QueryException $refused) {
                $this->assertStringContainsString('closing', mb_strtolower($refused->getMessage()));
            }
        }
    }

    public function test_a_month_closes_on_its_checks_and_only_the_last_is_opened_again(): void
    {
        $month = ShopTime::today()->startOfMonth()->subMonth();
        $this->as('301')->get('/calendar?month='.$month->format('Y-m'))->assertOk()->assertSee('not proved yet');
        $close = fn (CarbonImmutable $day): mixed => $this->post('/calendar/month', ['day' => $day->format('Y-m-d')]);
        $close($month)->assertSessionHasErrors('month');
        $this->post('/calendar/prove', ['day' => $month->format('Y-m-d')])->assertSessionHasNoErrors();
        Location::query()->update(['closed_through' => $month->subDay()->format('Y-m-d')]);
        $close($month)->assertSessionHasErrors('month');
        Location::query()->update(['closed_through' => $month->endOfMonth()->format('Y-m-d')]);
        $close(ShopTime::today())->assertSessionHasErrors('month');
        $close($month->subMonth())->assertSessionHasNoErrors();
        $close($month)->assertSessionHasNoErrors();
        $close($month)->assertSessionHasErrors('month');
        $this->assertSame(
            $month->endOfMonth()->format('Y-m-d'),
            Shop::query()->firstOrFail()->months_closed_through?->format('Y-m-d'),
        );
        $reopen = fn (CarbonImmutable $day): mixed => $this->post('/calendar/month/reopen', [
            'day' => $day->format('Y-m-d'), 'reason' => 'an invoice was missing',
        ]);
        $reopen($month)->assertForbidden();
        $this->as('901');
        $reopen($month->subMonth())->assertSessionHasErrors('reopen');
        // Nor is a day of it opened while it is closed.
        Closing::query()->create([
            'location_id' => (int) $this->place(),
            'from_day' => $month,
            'through' => $month->endOfMonth()->startOfDay(),
            'closed_by' => Staff::query()->firstOrFail()->id, 'closed_at' => now(),
        ]);
        $this->post('/calendar/reopen', [
            'location' => $this->place(), 'day' => $month->format('Y-m-d'), 'reason' => 'why not',
        ])->assertSessionHasErrors('reopen');
        $reopen($month)->assertSessionHasNoErrors();
        $this->assertSame(
            $month->subDay()->format('Y-m-d'),
            Shop::query()->firstOrFail()->months_closed_through->format('Y-m-d'),
        );
        $this->post('/calendar/reopen', [
            'location' => $this->place(), 'day' => $month->format('Y-m-d'), 'reason' => 'why not',
        ])->assertSessionHasNoErrors();
    }

    public function test_a_day_sheet_comes_to_the_same_on_both_sides(): void
    {
        $this->opens([2000 => '5']);
        $sale = $this->sell('4 x LH-1140', 'PI-2800');
        $this->sellByCard('MA-0031');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->get('/day')->assertForbidden();
        $net = static fn (): string => (string) DB::scalar('SELECT FORMAT(SUM(net) / 100, 2) FROM documents '
            ."WHERE kind IN ('invoice', 'credit_note')");
        $page = $this->as('201')->get('/day')->assertOk()->assertSee('Both sides come to')->assertSee($net());
        $page->assertSee('Clerk Clay')->assertSee('State tax 10 %')->assertSee('Margin');
        $this->get('/day?at=all')->assertOk()->assertSee('all locations');
        $this->get('/day?at=999999')->assertNotFound();
        $this->get('/day?at='.Till::query()->findOrFail(3)->location_id)->assertOk()->assertSee('Nothing was sold');
        $this->get('/day?day=not-a-day')->assertOk();
        $this->assertStringStartsWith('%PDF', (string) $this->get('/day.pdf')->assertOk()->getContent());
        $this->as('301')->get('/day')->assertOk();
    }

    public function test_a_slip_that_lies_over_midnight_is_posted_on_its_day_or_refused_in_words(): void
    {
        $this->opens();
        $this->sell('LH-1140');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '20'])->assertOk();
        CarbonImmutable::setTestNow(now()->addDay());
        $this->as('101')->does('post')->assertOk();
        $this->assertSame(ShopTime::today()->format('Y-m-d'), $this->document()->business_date->format('Y-m-d'));
        // The session goes on, and hinders both days.
        $this->as('201')
            ->closesDay(ShopTime::today()->subDay()->format('Y-m-d'))
            ->assertSessionHasErrors("close{$this->place()}");
        $this->get('/till')->assertOk()->assertSee('Open since');
        $this->get('/till/reading')
            ->assertOk()
            ->assertSee('Business dates')
            ->assertSee(ShopTime::today()->subDay()->format('j M Y').', '.ShopTime::today()->format('j M Y'));
        CarbonImmutable::setTestNow();
    }

    private function expectsRefusal(callable $act, string $rule): void
    {
        try {
            $act();
            $this->fail("Not refused: {$rule}");
        } catch (\Elmstone\Core\Money\Refused $refused) {
            $this->assertSame($rule, $refused->rule);
        }
    }

    public function test_a_till_of_another_location_is_not_closed_from_here(): void
    {
        $this->as('101', 3)->opens([2000 => '5']);
        $this->counts([2000 => '5']);
        $this->as('201', 1);
        $this->closes('100')->assertSessionHasErrors('refused');
        $this->assertSame('counted', OpenSessions::at(3)?->state->value);
        $this->assertSame(3, Till::query()->count());
    }
}
