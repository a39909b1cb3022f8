<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Purpose;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Tills\TillSession;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use LogicException;

/** A drawer from its float to its close. */
final class TillTest extends FeatureCase
{
    use Drawers;
    use Returning;

    protected function tillsAreOpen(): bool
    {
        return false;
    }

    public function test_a_day_at_the_till_from_the_float_to_the_safe(): void
    {
        $this->opens([2000 => '4', 500 => '3', 25 => '20'])->assertSessionHasNoErrors();
        $this->assertSame([10000, 1], [$this->drawer()->float_amount->minor, $this->drawer()->number]);
        $float = Document::query()->where('purpose', Purpose::FloatIn)->sole();
        $this->get("/documents/{$float->label}")->assertOk()->assertSee('Float from the safe');
        $this->get("/documents/{$float->label}/receipt")->assertOk();
        $this->get("/counter/{$this->slip}")->assertOk()->assertDontSee($float->label);
        $this->does('copy')->assertStatus(422)->assertSee('Nothing was posted at this till yet');
        $sale = $this->sell('4 x LH-1140');
        $this->assertSame($this->drawer()->id, $sale->session_id);
        $card = $this->sellByCard('PI-2800');
        $this->assertSame($this->drawer()->id, $card->session_id);
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $note = $this->creditNote();
        $there = 10000 + $sale->total->minor + $note->total->minor;
        // A dollar and a quarter short.
        $counted = [100 => (string) intdiv($there - 125, 100), 1 => (string) (($there - 125) % 100)];
        $this->counts($counted, $card->total->toString())
            ->assertSessionHasNoErrors();
        $this->get('/till')->assertOk()->assertSee('−1.25')->assertSee('A supervisor closes it');
        $this->closes('100')->assertForbidden();
        $this->as('201');
        $this->closes('100')->assertSessionHasErrors('note');
        $this->closes('100', 'nothing explains it')->assertSessionHasNoErrors();
        $closed = $this->drawer();
        $this->assertSame(
            ['closed', 10000, $there - 125 - 10000],
            [$closed->state->value, $closed->left_in?->minor, $closed->to_safe?->minor],
        );
        $short = Document::query()->with('journal')->where('purpose', Purpose::TillShort)->sole();
        $this->assertEquals(['cash' => -125, 'over_short' => 125], $this->posted($short));
        $safe = Document::query()->with('journal')->where('purpose', Purpose::ToSafe)->sole();
        $this->assertEquals(
            ['cash' => -($there - 125 - 10000), 'cash_in_safe' => $there - 125 - 10000],
            $this->posted($safe),
        );
        $this->get("/till/sessions/{$closed->id}")
            ->assertOk()
            ->assertSee('nothing explains it')
            ->assertSee('To the safe');
        $this->opens()->assertSessionHasNoErrors();
        $this->assertSame(
            [2, 10000, 0],
            [
                $this->drawer()->number,
                $this->drawer()->float_amount->minor,
                Document::query()->where('session_id', $this->drawer()->id)->count(),
            ],
        );
        $this->assertProves();
    }

    public function test_the_float_that_differs_from_what_was_left_in_comes_from_the_safe_or_goes_back(): void
    {
        $this->opens([2000 => '5'])->assertSessionHasNoErrors();
        $in = Document::query()->with('journal')->where('purpose', Purpose::FloatIn)->sole();
        $this->assertEquals(['cash' => 10000, 'cash_in_safe' => -10000], $this->posted($in));
        $this->counts([2000 => '5'])->assertSessionHasNoErrors();
        $this->as('201');
        $this->closes('100')->assertSessionHasNoErrors();
        $this->as('101');
        $this->opens([2000 => '3'])->assertSessionHasErrors('refused');
        $this->assertSame(1, TillSession::query()->count());
        $this->as('201');
        $this->opens([2000 => '3'])->assertSessionHasNoErrors();
        $out = Document::query()->with('journal')->where('purpose', Purpose::FloatOut)->sole();
        $this->assertEquals(['cash' => -4000, 'cash_in_safe' => 4000], $this->posted($out));
        $this->assertProves();
    }

    public function test_what_is_expected_appears_only_once_a_clerk_has_counted(): void
    {
        $this->opens([2000 => '5']);
        $this->sell('LH-1140');
        $this->get('/till')->assertOk()->assertDontSee('What should be there now');
        $this->get('/till/count')->assertOk()->assertDontSee('104.');
        $this->as('201')->get('/till')->assertOk()->assertSee('What should be there now')->assertSee('104.24');
    }

    public function test_nothing_goes_through_a_drawer_that_is_counted_until_it_goes_on(): void
    {
        $this->opens([2000 => '5']);
        $this->counts([2000 => '5'])->assertSessionHasNoErrors();
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('has been counted');
        $this->assertSame(0, Document::query()->where('purpose', Purpose::Sale)->count());
        $this->post('/till/go-on')->assertForbidden();
        $this->as('201')->post('/till/go-on')->assertSessionHasNoErrors();
        $this->does('post')->assertOk();
        $this->closes('100')->assertSessionHasErrors('refused');
        $this->counts([2000 => '5'], seen: 0)->assertSessionHasErrors('refused');
        $this->counts([2000 => '5', 100 => '4', 1 => '24'], seen: 1)->assertSessionHasNoErrors();
        $this->closes('100', '', ['count' => '1'])->assertSessionHasErrors();
        $this->closes('100', '', ['count' => '2'])->assertSessionHasNoErrors();
        $this->assertSame([2, 'closed'], [$this->drawer()->counts->count(), $this->drawer()->state->value]);
        $this->assertProves();
    }

    public function test_the_same_close_is_done_once_and_a_closed_one_never_changes(): void
    {
        $this->as('201');
        $this->opens([2000 => '5']);
        $this->counts([2000 => '6'])->assertSessionHasNoErrors();
        $key = (string) Str::uuid();
        $this->closes('100', 'found one', ['key' => $key])->assertSessionHasNoErrors();
        $this->closes('100', 'found one', ['key' => $key])->assertSessionHasNoErrors();
        $this->assertSame(1, Document::query()->where('purpose', Purpose::TillOver)->count());
        $this->assertSame(1, TillSession::query()->count());
        $this->expectException(QueryException::class);
        DB::table('till_sessions')->update(['left_in' => 1]);
    }

    public function test_the_counter_says_how_its_drawer_stands(): void
    {
        $this->get("/counter/{$this->slip}")->assertOk()->assertSee('Till 1 is not open');
        $this->opens([2000 => '5'])->assertSessionHasNoErrors();
        $this->get("/counter/{$this->slip}")->assertOk()->assertDontSee('is not open');
        $this->travel(1)->days();
        $this->get("/counter/{$this->slip}")->assertOk()->assertSee('has been open since');
        $this->get('/till')->assertOk()->assertSee('Open since');
        $this->counts([2000 => '5'])->assertSessionHasNoErrors();
        $this->get("/counter/{$this->slip}")->assertOk()->assertSee('has been counted');
    }

    /**
     * @param  array<string, string>  $more
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function moves(string $what, string $amount, array $more = []): TestResponse
    {
        return $this->post('/till/cash', [
            'key' => (string) Str::uuid(),
            'what' => $what,
            'amount' => $amount,
            ...$more,
        ]);
    }

    public function test_cash_comes_and_goes_besides_sales_and_is_expected_so(): void
    {
        $this->moves('cash_drop', '10')->assertSessionHasErrors('refused');
        $this->opens([2000 => '10'])->assertSessionHasNoErrors();
        $this->moves('petty_cash', '4.80', ['account' => 'petty_postage', 'reason' => 'stamps'])
            ->assertSessionHasNoErrors();
        $this->moves('cash_drop', '100')->assertSessionHasNoErrors();
        $this->moves('cash_up', '20', ['reason' => 'coins'])->assertSessionHasNoErrors();
        $petty = Document::query()->with('journal')->where('purpose', Purpose::PettyCash)->sole();
        $this->assertEquals(['cash' => -480, 'petty_postage' => 480], $this->posted($petty));
        $this->get('/till')->assertOk()->assertSee('stamps')->assertSee('Postage');
        $this->get("/documents/{$petty->label}")->assertOk()->assertSee('Petty cash is paid out');
        $this->counts([2000 => '5', 500 => '3', 10 => '2'])->assertSessionHasNoErrors();
        $this->moves('cash_drop', '1')->assertSessionHasErrors('refused');
        $this->as('201');
        $this->closes('100')->assertSessionHasNoErrors();
        $this->assertSame(1520, $this->drawer()->to_safe?->minor);
        $this->assertProves();
    }

    public function test_petty_cash_passes_the_gate_of_money_out_over_the_day(): void
    {
        $this->opens([2000 => '50']);
        $stamps = ['account' => 'petty_postage', 'reason' => 'stamps'];
        $most = app(Limits::class)->of(Role::Clerk, LimitMatter::Cash)->perDay ?? throw new LogicException('No limit.');
        $this->moves('petty_cash', $most->plus($most)->toString(), $stamps)->assertSessionHasErrors('refused');
        $this->assertSame(0, Document::query()->where('purpose', Purpose::PettyCash)->count());

        $spent = static fn (): int => (int) Document::query()
            ->where('purpose', Purpose::PettyCash)
            ->toBase()
            ->sum('total');
        $fits = intdiv($most->minor, 900);

        for ($i = 0; $i < $fits; $i++) {
            $this->moves('petty_cash', '9.00', $stamps)->assertSessionHasNoErrors();
        }

        $this->moves('petty_cash', '9.00', $stamps)->assertSessionHasErrors('refused');
        $this->assertSame(900 * $fits, $spent());
        $this->moves('petty_cash', '9.00', [...$stamps, ...$this->approval('needed today')])
            ->assertSessionHasNoErrors();
        $this->assertSame(1, DB::table('document_approvals')->count());
        $this->assertProves();
    }

    public function test_what_is_no_cash_in_or_out_is_said_where_it_was_typed(): void
    {
        $this->opens([2000 => '50']);
        $this->moves('petty_cash', '4', ['account' => 'petty_postage'])->assertSessionHasErrors('reason');
        $this->moves('petty_cash', '4', ['reason' => 'stamps'])->assertSessionHasErrors('account');
        $this->moves('petty_cash', '4', ['account' => 'bank', 'reason' => 'stamps'])->assertSessionHasErrors('account');
        $this->moves('cash_drop', '')->assertSessionHasErrors('amount');
        $this->moves('cash_drop', '-5')->assertSessionHasErrors('amount');
        $this->moves('cash_up', 'lots')->assertSessionHasErrors('amount');
        $this->moves('till_over', '5')->assertSessionHasErrors('what');
        $this->assertSame(0, Document::query()->whereIn('purpose', Purpose::movingCash())->count());
    }

    public function test_a_till_is_open_once(): void
    {
        $key = (string) Str::uuid();
        $this->opens([2000 => '5'], $key)->assertSessionHasNoErrors();
        $this->opens([2000 => '5'], $key)->assertSessionHasNoErrors();
        $this->opens([2000 => '5'])->assertSessionHasErrors('refused');
        $this->assertSame(
            [1, 1],
            [TillSession::query()->count(), Document::query()->where('purpose', Purpose::FloatIn)->count()],
        );
        $this->as('101', 2);
        $this->opens()->assertSessionHasNoErrors();
        $this->assertSame([1, 0], [$this->drawer()->number, $this->drawer()->float_amount->minor]);
    }

    public function test_what_is_no_count_is_said_at_its_row(): void
    {
        $this->opens([2000 => '5']);

        foreach (
            [
                [[2000 => '-1'], 'rows.2000'], [[2000 => '1.5'], 'rows.2000'], [[25 => '999999999'], 'rows.25'],
                [[300 => '1'], 'rows'], [[-5 => '1'], 'rows.-5'],
            ] as [$rows, $field]
        ) {
            $this->counts($rows)->assertSessionHasErrors($field);
        }

        $this->counts([2000 => '5'], cheques: '-5')->assertSessionHasErrors();
        $this->terminal('off_line')->counts([2000 => '5'], cards: 'lots')->assertSessionHasErrors('cards');
        $this->terminal('approve');
        $this->assertSame(0, DB::table('till_counts')->count());
        $this->counts([2000 => '5'])->assertSessionHasNoErrors();
        $this->as('201');
        $this->closes('100.01')->assertSessionHasErrors('left_in');
        $this->closes('-1')->assertSessionHasErrors('left_in');
        $this->assertSame('counted', $this->drawer()->state->value);
    }

    public function test_sums_are_worked_out_row_by_row(): void
    {
        $this->post('/till/count/sums', ['rows' => [2000 => '3', 25 => '5', 1 => 'x']])
            ->assertOk()
            ->assertExactJson([
                'worth' => ['2000' => '60.00', '25' => '1.25'],
                'soFar' => ['2000' => '60.00', '25' => '61.25'],
                'total' => '61.25',
            ]);
    }

    public function test_another_location_and_who_did_not_count_do_not_see_a_close(): void
    {
        $this->opens([2000 => '5']);
        $this->counts([2000 => '5']);
        $this->as('201');
        $this->closes('100')->assertSessionHasNoErrors();
        $session = $this->drawer()->id;
        $this->as('101')->get("/till/sessions/{$session}")->assertOk();
        $this->get('/till')->assertOk()->assertSee($this->drawer()->label());
        Staff::query()->create([
            'number' => '102',
            'name' => 'Clerk Chalk',
            'role' => Role::Clerk,
            'pin_hash' => Hash::make('4102'),
        ]);
        $this->as('102')->get("/till/sessions/{$session}")->assertForbidden();
        $this->get('/till')->assertOk()->assertDontSee($this->drawer()->label());
    }

    public function test_a_till_for_training_has_no_drawer_to_open(): void
    {
        DB::table('tills')->where('id', 1)->update(['training' => true]);
        $this->opens([2000 => '5']);
        $this->assertSame(0, TillSession::query()->count());
    }

    public function test_a_close_that_was_tampered_with_is_found(): void
    {
        $this->opens([2000 => '5']);
        $this->sell('LH-1140');
        $this->counts([2000 => '5', 100 => '4', 1 => '24']);
        $this->as('201');
        $this->closes('100')->assertSessionHasNoErrors();
        $this->assertProves();
        DB::unprepared('DROP TRIGGER till_count_ways_no_update');
        DB::table('till_count_ways')->where('way', 'cash')->update(['expected' => 10000, 'counted' => 10000]);
        $this->assertStringContainsString('what it was closed on', implode("\n", app(Prove::class)->handle()->faults));
    }
}
