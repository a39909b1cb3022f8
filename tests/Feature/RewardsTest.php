<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Customers\Customer;
use Elmstone\Paper\Outbox;
use Elmstone\Rewards\ExpirePoints;
use Elmstone\Rewards\FillRewards;
use Elmstone\Rewards\Points;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Rewards: collected by a sale however it is posted, taken back, turned into store credit once, run out, proved. */
final class RewardsTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('5000.00');
        $this->programme();
        $this->as('101')->post("/customers/{$this->customer->number}/rewards")->assertSessionHasNoErrors();
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function programme(array $with = []): TestResponse
    {
        return $this->as('301')->from('/rewards')->post('/rewards/terms', [
            'runs' => '1', 'per_unit' => '1', 'threshold' => '100', 'reward' => '5', 'months' => '', ...$with,
        ]);
    }

    private function buys(string ...$entries): Document
    {
        $this->slip = (string) Str::uuid();
        $this->as('101')->does('customer', ['customer' => (string) $this->customer->id]);
        $this->add(...$entries);
        $this->does('cash', ['cash' => '2000'])->assertOk();
        $this->does('post')->assertOk();

        return Document::query()->findOrFail($this->slip()->document_id);
    }

    /** @phpstan-impure */
    private function points(): int
    {
        return Points::of($this->customer->id);
    }

    /** @phpstan-impure */
    private function credit(): int
    {
        return (int) DB::table('held_accounts')->where('customer_id', $this->customer->id)
            ->where('kind', 'store_credit')->sum('balance');
    }

    public function test_a_sale_collects_whole_points_of_its_net_before_tax(): void
    {
        $sale = $this->buys('MA-0031');
        self::assertSame(94, $this->points());
        $this->get("/documents/{$sale->label}/receipt")->assertSee('Points before')->assertSee('Collected');
        $this->get('/rewards')->assertSee($this->customer->name)->assertSee('94 points are out');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => (string) $this->customer->id])
            ->assertSee('6 to the next 5.00');
        $this->assertProves();
    }

    public function test_each_full_threshold_becomes_store_credit_at_once_and_stands_on_the_receipt(): void
    {
        $this->buys('MA-0031');
        $sale = $this->buys('4 x LH-1140');
        self::assertSame([9, 500], [$this->points(), $this->credit()]);
        $reward = Document::query()->where('purpose', 'reward')->sole();
        self::assertSame([$sale->id, '5.00'], [$reward->refers_to_id, $reward->total->toString()]);
        $this->get("/documents/{$sale->label}/receipt")->assertSee('Became store credit');
        $this->as('301')->get("/documents/{$reward->label}")->assertOk()->assertSee('Reward');
        $this->slip = (string) Str::uuid();
        $this->as('101')->does('customer', ['customer' => (string) $this->customer->id])->assertSee('Store credit');
        $this->add('LH-1141');
        $this->does('store-credit', ['store_credit_used' => '4.84'])->assertOk();
        $this->does('post')->assertOk();
        self::assertSame(16, $this->credit());
        $this->assertProves();
    }

    public function test_several_thresholds_at_once_are_several_rewards(): void
    {
        $this->buys('12 x MA-0031');
        self::assertSame(1, DB::table('documents')->where('purpose', 'reward')->count());
        self::assertSame([28, 11 * 500], [$this->points(), $this->credit()]);
        $this->assertProves();
    }

    public function test_a_department_has_its_own_rate_or_takes_no_part(): void
    {
        $goods = (int) DB::table('items')->where('code', 'MA-0031')->value('department_id');
        $this->programme(['rate' => [$goods => '2.5'], 'threshold' => '1000'])->assertSessionHasNoErrors();
        $this->buys('MA-0031');
        self::assertSame(235, $this->points());
        $this->programme(['rate' => [$goods => '0'], 'threshold' => '1000']);
        $this->buys('MA-0031');
        self::assertSame(235, $this->points());
        $this->assertProves();
    }

    public function test_what_comes_back_takes_its_points_back_as_they_were_given_also_below_zero(): void
    {
        $sale = $this->buys('3 x MA-0031');
        self::assertSame([82, 1000], [$this->points(), $this->credit()]);
        $goods = (int) DB::table('items')->where('code', 'MA-0031')->value('department_id');
        $this->programme(['rate' => [$goods => '9'], 'threshold' => '1000']);
        $this->bringBack($sale, '1');
        self::assertSame(82 - 94, $this->points());
        $this->bringBack($sale, '2');
        self::assertSame(82 - 282, $this->points());
        self::assertSame(1000, $this->credit(), 'a reward that was given stays given');
        $this->assertProves();
    }

    private function bringBack(Document $sale, string $many): void
    {
        $this->slip = (string) Str::uuid();
        $this->as('201')->back($sale, [1 => $many])->assertOk();
        $this->refund('cash')->assertOk();
        $this->approve('', ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'seen']);
        $this->does('post')->assertOk();
    }

    public function test_who_does_not_take_part_and_who_passes_by_collect_nothing(): void
    {
        $this->sell('MA-0031');
        $this->as('101')->post("/customers/{$this->customer->number}/rewards/leave");
        $this->buys('MA-0031');
        self::assertSame(0, $this->rows('reward_entries'));
        $this->programme(['runs' => '']);
        $this->post("/customers/{$this->customer->number}/rewards")->assertNotFound();
        $this->get("/customers/{$this->customer->number}")->assertDontSee('collect points');
        self::assertSame(2, DB::table('customer_changes')->where('what', 'rewards')->count());
    }

    public function test_points_run_out_the_oldest_first(): void
    {
        $this->programme(['months' => '2', 'threshold' => '1000']);
        $start = CarbonImmutable::today();
        $this->buys('MA-0031');
        $this->travelTo($start->addMonthsNoOverflow(1)->setTime(9, 0));
        $this->buys('LH-1141', 'LH-1141');
        self::assertSame(94 + 8, $this->points());
        $this->travelTo($start->addMonthsNoOverflow(2)->setTime(9, 0));
        app(ExpirePoints::class)->ofToday();
        self::assertSame(102, $this->points());
        $this->travelTo($start->addMonthsNoOverflow(2)->addDay()->setTime(9, 0));
        app(ExpirePoints::class)->ofToday();
        app(ExpirePoints::class)->ofToday();
        self::assertSame(8, $this->points());
        $this->travelTo($start->addMonthsNoOverflow(4)->setTime(9, 0));
        $this->as('101')->get('/counter');
        self::assertSame(0, $this->points(), 'the first at the counter in the morning does it');
        $this->assertProves();
    }

    public function test_what_two_sales_filled_together_is_given_the_next_morning_once(): void
    {
        $this->programme(['threshold' => '1000']);
        $this->buys('3 x MA-0031');
        DB::table('shop')->update(['rewards' => json_encode(
            ['per_unit' => '1', 'threshold' => 100, 'reward' => '5.00', 'months' => null],
        )]);
        $this->as('301')->get('/rewards');
        app(FillRewards::class)->ofToday();
        app(FillRewards::class)->ofToday();
        app(Outbox::class)->sendDue();
        self::assertSame([82, 1000], [$this->points(), $this->credit()]);
        $this->assertProves();
    }

    public function test_points_go_along_when_two_customers_are_made_one_and_are_taken_back_from_the_other(): void
    {
        $sale = $this->buys('MA-0031');
        $into = $this->account('100.00', 'Twice & Co');
        $this->as('301')->post("/accounts/{$this->customer->number}/merge", [
            'into' => (string) $into->number, 'reason' => 'the same firm', 'key' => (string) Str::uuid(),
        ])->assertRedirect()->assertSessionHasNoErrors();
        self::assertSame([0, 94], [$this->points(), Points::of($into->id)]);
        self::assertNotNull($into->refresh()->rewards_on);
        $this->bringBack($sale, '1');
        self::assertSame([0, 0], [$this->points(), Points::of($into->id)]);
        $this->assertProves();
    }

    public function test_a_proof_finds_points_nobody_gave_and_a_reward_without_points(): void
    {
        $this->buys('3 x MA-0031');
        $this->assertProves();
        DB::unprepared('DROP TRIGGER reward_entries_no_update');
        DB::table('reward_entries')->where('kind', 'earned')->update(['points' => 283]);
        self::assertNotSame([], app(\Elmstone\Books\Proof\Prove::class)->handle()->faults);
    }

    public function test_terms_typed_wrong_are_said_and_nothing_changes(): void
    {
        $this->programme(['per_unit' => ''])->assertSessionHasErrors('per_unit');
        $this->programme(['per_unit' => '-1'])->assertSessionHasErrors('per_unit');
        $this->programme(['threshold' => '0'])->assertSessionHasErrors('threshold');
        $this->programme(['reward' => '0'])->assertSessionHasErrors('reward');
        $this->programme(['reward' => 'five'])->assertSessionHasErrors('reward');
        $this->programme(['months' => '0'])->assertSessionHasErrors('months');
        $this->programme(['rate' => [1 => 'x']])->assertSessionHasErrors('rate.1');
        $this->as('101')->post('/rewards/terms')->assertForbidden();
        self::assertSame('100', (string) (json_decode((string) DB::table('shop')->value('rewards'))->threshold ?? ''));
    }
}
