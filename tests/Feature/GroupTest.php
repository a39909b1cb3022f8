<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Statements\Statement;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** A head office and its branches: one limit for all, one statement. */
final class GroupTest extends FeatureCase
{
    use Charges;

    private Customer $head;

    private Customer $mill;

    private Customer $quay;

    protected function setUp(): void
    {
        parent::setUp();
        $this->head = $this->account('250.00', 'Fern Builders', terms: ['late' => 365]);
        $this->mill = $this->account('1000.00', 'Fern Mill Lane', terms: ['late' => 365]);
        $this->quay = $this->account('150.00', 'Fern Quay', terms: ['late' => 365]);
        $this->as('301');
    }

    /** @return TestResponse<Response> */
    private function puts(Customer $branch, string $head, string $reason = 'they told us'): TestResponse
    {
        return $this->as('301')->post("/accounts/{$branch->number}/head", ['head' => $head, 'reason' => $reason]);
    }

    private function group(): void
    {
        $this->puts($this->mill, (string) $this->head->number)->assertSessionHasNoErrors();
        $this->puts($this->quay, (string) $this->head->number)->assertSessionHasNoErrors();
        $this->as('101');
    }

    /** @return TestResponse<Response> of the posting */
    private function charges(Customer $customer): TestResponse
    {
        $this->slip = (string) Str::uuid();
        $this->as('101')->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add('MA-0031');
        $this->does('charge', ['rest' => '1'])->assertOk();

        return $this->does('post');
    }

    public function test_the_head_offices_limit_holds_for_all_of_them_together(): void
    {
        $this->group();
        $this->charges($this->mill)->assertOk();
        $this->charges($this->head)->assertOk();
        // 206.80 of 250 are used by the others: its own 150 would do.
        $this->charges($this->quay)->assertStatus(422)
            ->assertSee('Over the limit of Fern Builders and its branches by 60.20');
        $this->as('301')->get("/accounts/{$this->head->number}")
            ->assertSee('Head office of')->assertSee('Fern Mill Lane')->assertSee('together 206.80 of 250.00');
        $this->get("/accounts/{$this->quay->number}")->assertSee('Branch of')->assertSee('43.20');
        // On its own again only its own limit holds, and then that too.
        $this->puts($this->quay, '')->assertSessionHasNoErrors();
        $this->charges($this->quay)->assertOk();
        $this->charges($this->quay)->assertStatus(422)->assertSee('Over the limit by 56.80');
        $this->assertProves();
    }

    public function test_its_own_limit_holds_where_it_is_less(): void
    {
        DB::table('house_accounts')->where('customer_id', $this->head->id)->update(['credit_limit' => 100_000]);
        $this->group();
        $this->charges($this->quay)->assertOk();
        $this->charges($this->quay)->assertStatus(422)->assertSee('Over the limit by 56.80');
    }

    public function test_a_head_office_on_stop_stops_them_all(): void
    {
        $this->group();
        $this->as('201')->post("/accounts/{$this->head->number}/stop", ['reason' => 'cheques bounce']);
        $this->slip = (string) Str::uuid();
        $this->as('101')->does('customer', ['customer' => $this->mill->id])->assertOk();
        $this->add('MA-0031');
        $this->does('charge', ['rest' => '1'])->assertStatus(422)
            ->assertSee('Fern Builders, their head office, is on stop: cheques bounce');
        $this->get("/accounts/{$this->mill->number}")->assertSee('Their head office is on stop');
    }

    public function test_what_branches_owe_stands_on_the_statement_of_the_head_office(): void
    {
        $this->group();
        $first = $this->chargeOn(now()->subDays(40)->toDateString(), $this->mill, 'MA-0031');
        $second = $this->chargeOn(now()->subDays(3)->toDateString(), $this->head, 'LH-1140');
        $this->as('301')->get("/accounts/{$this->head->number}/statement")
            ->assertOk()->assertSeeInOrder([$second, 'Fern Mill Lane', $first, '107.64']);
        $this->get("/accounts/{$this->mill->number}/statement")->assertSee($first)->assertDontSee($second);
        $since = $this->get("/accounts/{$this->head->number}/statement?kind=balance_forward&from="
            .now()->subDays(10)->toDateString())->assertOk();
        $since->assertSeeInOrder([$second, 'Fern Mill Lane', '103.40', '107.64'])->assertDontSee($first);
        $this->post('/statements', ['as_of' => now()->toDateString()])->assertSessionHasNoErrors();
        $this->assertSame([$this->head->id], Statement::query()->pluck('customer_id')->all());
        $run = DB::table('statement_runs')->value('id');
        $this->post("/statements/runs/{$run}/step")->assertOk();
        $this->assertSame('107.64', Statement::query()->sole()->amount_due->toString());
        $this->get("/statements/runs/{$run}/print.pdf")->assertOk();
    }

    public function test_who_may_be_a_head_office(): void
    {
        $this->assertRefused('No customer has the number “99999”', $this->puts($this->mill, '99999'));
        $this->assertRefused('no branch of itself', $this->puts($this->mill, (string) $this->mill->number));
        $none = $this->customer('Nobody Yet');
        $this->assertRefused('has no house account', $this->puts($this->mill, (string) $none->number));
        $this->assertRefused('Say why', $this->puts($this->mill, (string) $this->head->number, ''));
        $this->puts($this->mill, (string) $this->head->number)->assertSessionHasNoErrors();
        $this->assertRefused('is a branch of', $this->puts($this->quay, (string) $this->mill->number));
        $this->assertRefused('has branches of its own', $this->puts($this->head, (string) $this->quay->number));
        $this->assertRefused('It has branches', $this->post("/accounts/{$this->head->number}/close", [
            'key' => (string) Str::uuid(), 'reason' => 'gone',
        ]));
        $this->assertRefused('has branches', $this->post("/accounts/{$this->head->number}/merge", [
            'into' => $this->quay->number, 'sure' => '1',
        ]));
        $this->as('101')->post("/accounts/{$this->quay->number}/head", ['head' => '', 'reason' => 'x'])
            ->assertForbidden();
        $this->as('301')->get("/accounts/{$this->mill->number}")->assertSee('head office');
        $this->get("/accounts/{$this->mill->number}/terms")->assertSee("value=\"{$this->head->number}\"", false);
        $this->assertSame(
            [$this->head->id, $this->head->id, null],
            array_map(
                static fn (Customer $one): ?int => HouseAccount::query()->findOrFail($one->id)->head_id,
                [$this->head, $this->mill, $this->quay],
            ),
        );
    }

    public function test_what_is_disputed_stays_so_when_two_become_one(): void
    {
        $label = $this->chargeOn(now()->subDays(80)->toDateString(), $this->mill, 'MA-0031');
        $this->as('301')->post("/accounts/{$this->mill->number}/settle/{$label}/dispute", [
            'reason' => 'short', 'key' => (string) Str::uuid(),
        ])->assertSessionHasNoErrors();
        $this->post("/accounts/{$this->mill->number}/merge", ['into' => $this->quay->number, 'sure' => '1'])
            ->assertSessionHasNoErrors();
        $this->get("/accounts/{$this->quay->number}")->assertSee('disputed');
        $this->get('/letters')->assertSee('No letter is due today');
        $this->post("/accounts/{$this->quay->number}/settle/{$label}/settled", [
            'reason' => 'it was there', 'key' => (string) Str::uuid(),
        ])->assertSessionHasNoErrors();
        $this->get('/letters')->assertSee($label);
    }
}
