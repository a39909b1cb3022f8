<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Illuminate\Support\Str;

/** The same key is the same request: with other figures it is refused, of another page it is another one. */
final class SameKeyTest extends FeatureCase
{
    use Charges;

    private function paid(): int
    {
        return Document::query()->where('purpose', 'payment')->count();
    }

    public function test_a_payment_sent_again_is_posted_once_and_with_another_amount_is_refused(): void
    {
        $customer = $this->account();
        $this->charge($customer, 'LH-1140');
        $this->as('301');
        $fields = [
            'key' => (string) Str::uuid(),
            'kind' => 'cheque',
            'reference' => '7',
            'amount' => '2.00',
            'day' => now()->toDateString(),
            'spread' => 'oldest',
        ];
        $this->post("/accounts/{$customer->number}/payment", $fields)->assertOk();
        $this->post("/accounts/{$customer->number}/payment", $fields)->assertOk();
        $this->assertSame(1, $this->paid());
        $this->post("/accounts/{$customer->number}/payment", [...$fields, 'amount' => '3.00'])
            ->assertStatus(422)
            ->assertSee('with other figures');
        $this->assertSame(1, Document::query()->where('purpose', 'payment')->count());
    }

    public function test_another_customers_page_with_the_same_key_is_another_payment(): void
    {
        $one = $this->account();
        $other = $this->account(name: 'Another Firm');
        $this->as('301');
        $fields = [
            'key' => (string) Str::uuid(),
            'kind' => 'cheque',
            'reference' => '7',
            'amount' => '2.00',
            'day' => now()->toDateString(),
            'spread' => 'oldest',
        ];
        $this->post("/accounts/{$one->number}/payment", $fields)->assertOk();
        $this->post("/accounts/{$other->number}/payment", [...$fields, 'reference' => '8'])->assertOk();
        $this->assertSame([-200, -200], [$this->balance($one), $this->balance($other)]);
    }

    public function test_an_act_at_the_counter_with_another_body_is_refused(): void
    {
        $act = (string) Str::uuid();
        $this->does('add', ['act' => $act, 'entry' => 'LH-1140', 'version' => ''])->assertOk();
        $this->does('add', ['act' => $act, 'entry' => 'LH-1140', 'version' => ''])->assertOk();
        $this->assertCount(1, $this->slip()->lines);
        $this->does('add', ['act' => $act, 'entry' => 'MA-0031', 'version' => ''])
            ->assertStatus(422)
            ->assertSee('with other figures');
        $this->assertCount(1, $this->slip()->lines);
    }

    public function test_a_key_taken_from_a_slip_does_not_break_its_sale(): void
    {
        $customer = $this->account();
        $this->charge($customer, 'LH-1140');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->as('301')
            ->post("/accounts/{$customer->number}/payment", [
                'key' => $this->slip,
                'kind' => 'cheque',
                'reference' => '7',
                'amount' => '2.00',
                'day' => now()->toDateString(),
                'spread' => 'oldest',
            ])
            ->assertOk();
        $this->as('101')
            ->does('cash', ['cash' => '500'])
            ->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('sale', $this->document()->purpose->value);
        $this->assertProves();
    }
}
