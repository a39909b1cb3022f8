<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What is done at a till beside the sale, and what of a sale stays on record. */
final class AtTheTillTest extends FeatureCase
{
    use Charges;

    private function opened(): int
    {
        $state = DB::table('simulated_devices')->where('device', 'drawer')->value('state');
        $read = json_decode(is_string($state) ? $state : '{}', true);

        return is_array($read) && is_int($read['opened'] ?? null) ? $read['opened'] : 0;
    }

    public function test_the_drawer_opens_without_a_sale_for_a_reason_that_stays_on_record(): void
    {
        $this->does('drawer', ['drawer_reason' => ' '])->assertStatus(422)->assertSee('Say why');
        $this->assertSame(0, $this->opened());
        $this->assertSame(0, DB::table('security_log')->where('what', 'drawer_opened')->count());
        $act = (string) Str::uuid();

        foreach ([1, 2] as $time) {
            $this->does('drawer', ['drawer_reason' => 'Change for the float', 'act' => $act])
                ->assertOk()
                ->assertSee('on record');
        }

        $this->assertSame(1, $this->opened(), 'Sent twice it opens once.');
        $row = DB::table('security_log')->where('what', 'drawer_opened')->sole();
        $this->assertSame(
            [$this->staff('101')->id, 1, 'Change for the float'],
            [$row->staff_id, $row->till_id, $row->about],
        );
        $this->as('901')->get('/security-log')->assertSee('Drawer opened, no sale')->assertSee('Change for the float');
    }

    public function test_a_copy_of_the_last_receipt_of_this_till_is_printed(): void
    {
        $this->does('copy')->assertStatus(422)->assertSee('Nothing was posted at this till yet');
        $first = $this->sell('LH-1140');
        $last = $this->sell('LH-1141');
        $this->as('101', 2);
        $this->sell('PI-2800');
        $this->as('101', 1);
        $this->slip = (string) Str::uuid();
        $before = DB::table('printed_papers')->count();
        $this->does('copy')->assertOk()->assertSee("A copy of {$last->label}");
        $this->assertSame($before + 1, DB::table('printed_papers')->count());
        $html = (string) DB::table('printed_papers')->orderByDesc('id')->value('html');
        $this->assertStringContainsString($last->label, $html);
        $this->assertStringContainsString('COPY', $html);
        $this->assertStringNotContainsString($first->label, $html);
    }

    public function test_what_is_taken_off_after_a_card_has_paid_is_said(): void
    {
        $this->add('LH-1140', '2 x LH-1141');
        $this->does("lines/{$this->lineId()}", ['quantity' => '2'])->assertOk();
        $this->assertNull($this->slip()->after_card, 'No card has paid yet.');
        $this->does('card')->assertOk();
        $this->does("lines/{$this->lineId(1)}/remove")
            ->assertOk()
            ->assertSee('After a card had paid')
            ->assertSee('removed 2 × Limestone hook, plain, 180 mm');
        $this->does('undo')->assertOk()->assertSee('took back: removed Limestone hook');
        $this->assertCount(2, $this->slip()->after_card ?? []);
        $this->does('post')->assertOk();
    }

    public function test_a_line_keeps_who_sold_it(): void
    {
        $this->add('LH-1140', 'LH-1141');
        $line = $this->lineId();
        $this->does("lines/{$line}", ['seller' => '999'])->assertStatus(422)->assertSee('Nobody here has the number');
        $this->does("lines/{$line}", ['seller' => '201'])->assertOk()->assertSee('sold by Super Slate');
        $this->add('LH-1140');
        $this->assertCount(3, $this->slip()->lines, 'What somebody else sold is another line.');
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk()->assertSee('sold by Super Slate');
        $this->assertSame(
            [$this->staff('201')->id, $this->staff('101')->id, $this->staff('101')->id],
            DB::table('document_shares')->orderBy('position')->pluck('staff_id')->all(),
        );
        $this->assertProves();
    }
}
