<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Layaways\Layaway;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What is due in all rooms, as one list. */
final class DueTest extends FeatureCase
{
    use ChargesAndLayaways;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('1000.00', 'Wren Hollis');
        $this->customer->forceFill(['phone' => '555 0142'])->save();
    }

    /** @return list<string> the labels of a layaway that is behind, one to collect, and a plan */
    private function late(): array
    {
        $behind = $this->hold('20.68', '2 x MA-0031');
        $ready = $this->hold('103.40', 'MA-0031');
        Layaway::query()->whereKey($behind->id)->update(['next_due' => '2020-02-01', 'behind_from' => '2020-02-09']);
        DB::table('agreements')->where('id', $ready->id)->update(['shelf' => 'B 4']);
        $invoice = $this->charge($this->customer, 'MA-0031');
        $this->as('301')
            ->post("/documents/{$invoice}/plan", [
                'key' => (string) Str::uuid(),
                'count' => '2',
                'rhythm' => 'month',
                'charge' => '0',
                'first_due' => now()->addDay()->format('Y-m-d'),
            ])
            ->assertSessionHasNoErrors();
        $this->travel(4)->days();

        return [$behind->label, $ready->label, (string) DB::table('plans')->value('label')];
    }

    public function test_what_is_late_of_layaways_plans_and_accounts_stands_in_one_list_the_longest_due_first(): void
    {
        [$behind, $ready, $plan] = $this->late();
        $this->as('301')
            ->get('/due')
            ->assertOk()
            ->assertSeeInOrder([$behind, 'payment late', 'Call 555 0142'])
            ->assertSeeInOrder([$ready, 'paid, to collect', 'Hand over, stands on B 4'])
            ->assertSeeInOrder([$plan, 'part of a plan late'])
            ->assertSeeInOrder(['account', 'Wren Hollis', 'not called yet', 'Call 555 0142']);
        $rows = array_map(
            static fn (string $row): string => str_getcsv($row, escape: '')[0] ?? '',
            explode("\n", trim($this->get('/due.csv')->streamedContent())),
        );
        $this->assertSame(['what', $behind], array_slice($rows, 0, 2));
        $this->assertCount(5, $rows);
    }

    public function test_nothing_due_is_said_and_the_counter_does_not_see_it(): void
    {
        $this->as('301')->get('/due')->assertOk()->assertSee('Nothing is due today.');
        $this->as('101')->get('/due')->assertForbidden();
    }
}
