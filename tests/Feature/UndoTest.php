<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Counter\Lines\LineOnSlip;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What was done to a slip is taken back, the last first, until it is posted. */
final class UndoTest extends FeatureCase
{
    use Charges;

    /** @return list<string> what each line says */
    private function lines(): array
    {
        return array_values($this->slip()->lines->map(
            static fn (LineOnSlip $line): string => "{$line->quantity->toString()} {$line->code} "
                ."{$line->unit_price->toString()} {$line->discount_percent?->toString()} {$line->note}",
        )->all());
    }

    public function test_lines_come_back_as_they_were_step_by_step(): void
    {
        $this->add('LH-1140', 'LH-1141', '2.4 x PI-2800');
        $id = $this->lineId();
        $stages = [$this->lines()];

        $edits = [['quantity' => '3'], ['price' => '3.80'], ['discount' => '1'], ['note' => 'for the porch']];

        foreach ($edits as $edit) {
            $this->does("lines/{$id}", $edit)->assertOk();
            $stages[] = $this->lines();
        }

        $this->does("lines/{$id}/remove")->assertOk()->assertSee('Take back: removed Limestone hook');
        $this->assertCount(2, $this->lines());

        foreach (array_reverse($stages) as $stage) {
            $this->does('undo')->assertOk();
            $this->assertSame($stage, $this->lines());
        }

        $this->assertSame($id, $this->lineId());
        $this->does('undo')->assertStatus(422)->assertSee('nothing to take back');
        $this->assertSame('', $this->slip()->undo);
    }

    public function test_what_was_added_since_stays(): void
    {
        $this->add('LH-1140', 'LH-1141');
        $this->does("lines/{$this->lineId()}/remove")->assertOk();
        $this->add('PI-2800');
        $this->does('undo')->assertOk();
        $this->assertSame(
            ['LH-1140', 'LH-1141', 'PI-2800'],
            $this->slip()->lines->sortBy('position')->pluck('code')->values()->all(),
        );
    }

    public function test_the_customer_before_comes_back_with_what_was_said_of_them(): void
    {
        $one = $this->account('500.00', 'Fern & Flint Paving');
        $two = $this->account('500.00', 'Ash Roofing');
        $this->add('LH-1140');
        $this->does('customer', ['customer' => $one->id])->assertOk();
        $this->does('party', ['purchase_order' => 'PO 77'])->assertOk();
        $this->does('customer', ['customer' => $two->id])
            ->assertOk()
            ->assertSee('it was Fern &amp; Flint Paving’s', false);
        $this->does('undo')->assertOk();
        $this->assertSame(
            [$one->id, 'Fern & Flint Paving', 'PO 77'],
            [$this->slip()->customer_id, $this->slip()->customer_name, $this->slip()->purchase_order],
        );
        $this->does('undo')->assertOk();
        $this->assertNull($this->slip()->customer_id);
    }

    public function test_the_discount_of_the_slip_is_taken_back_and_sent_twice_only_once(): void
    {
        $this->add('LH-1140', 'LH-1141');
        $this->does('discount', ['discount' => '2'])->assertOk();
        $this->does('discount', ['discount' => '0.50'])->assertOk();
        $act = ['act' => (string) Str::uuid(), 'version' => ''];
        $this->does('undo', $act)->assertOk();
        $this->does('undo', $act)->assertOk();
        $this->assertSame('2', $this->slip()->discount_percent?->toString());
        $this->assertNull($this->slip()->discount_amount);
        $this->does('undo')->assertOk();
        $this->assertNull($this->slip()->discount_percent);
    }

    public function test_a_note_says_why_a_slip_waits(): void
    {
        $this->add('LH-1140');
        $this->does('note', ['slip_note' => ' Gone to the bank, back at two '.str_repeat('x', 200)])->assertOk();
        $this->assertSame(120, mb_strlen($this->slip()->note));
        $this->does('note', ['slip_note' => 'Gone to the bank'])->assertOk()->assertSee('“Gone to the bank”');
        $this->get('/counter/'.Str::uuid())->assertSee('title="Gone to the bank"', false);
        $this->as('101', 2)->get('/counter/'.Str::uuid())->assertSee('“Gone to the bank”');
    }

    public function test_what_a_customer_bought_is_seen_and_taken_again_at_todays_price(): void
    {
        $customer = $this->account('500.00', 'Ash Roofing');
        $this->chargeOn(now()->subDays(20)->toDateString(), $customer, 'LH-1140');
        $this->chargeOn(now()->subDays(9)->toDateString(), $customer, '3 x LH-1140', 'LH-1141');
        $this->slip = (string) Str::uuid();
        $this->get("/counter/{$this->slip}/look/customer")->assertOk()->assertSee('Put a customer on the slip first');
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $seen = (string) $this->get("/counter/{$this->slip}/look/customer")
            ->assertOk()
            ->assertSee('3 × 3.85')
            ->assertSee('2 times')
            ->getContent();
        preg_match('/data-again="(\d+)"/', $seen, $first);
        Scene::reprice(['list_price' => '4.05'], 'LH-1140');
        $this->does('add', ['entry' => '', 'item' => $first[1] ?? '', 'quantity' => '1', 'version' => ''])->assertOk();
        $this->assertSame(['1 LH-1140 4.05  '], $this->lines());
    }

    public function test_so_many_steps_are_kept_and_none_after_posting(): void
    {
        $this->add('LH-1140');

        for ($i = 2; $i <= 30; $i++) {
            $this->does("lines/{$this->lineId()}", ['quantity' => (string) $i])->assertOk();
        }

        $this->assertSame(20, DB::table('slip_undos')->count());
        $this->does('cash', ['cash' => '900'])->assertOk();
        $this->does('post')->assertOk();
        $this->does('undo')->assertStatus(422)->assertSee('already posted');
    }
}
