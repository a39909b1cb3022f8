<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Layaways\Layaway;
use Elmstone\Plans\Plan;
use Elmstone\Staff\Approvals\Approval;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * What a clerk has in hand at the counter leads to what it is for: a plan's number, a layaway's serial plates, a card
 * and a day, a supervisor beside them.
 */
final class AtHandTest extends FeatureCase
{
    use ChargesAndLayaways;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('1000.00');
        $this->customer->forceFill(['phone' => '555 0142'])->save();
    }

    private function plan(): Plan
    {
        $label = $this->charge($this->customer, 'MA-0031');
        $this->as('301')
            ->post("/documents/{$label}/plan", [
                'key' => (string) Str::uuid(),
                'charge' => '',
                'count' => '4',
                'rhythm' => 'month',
                'first_due' => now()->addMonthNoOverflow()->format('Y-m-d'),
            ])
            ->assertSessionHasNoErrors();
        $this->as('101');

        return Plan::query()->with('parts.item')->latest('id')->firstOrFail();
    }

    public function test_a_part_of_a_plan_is_paid_by_the_number_of_the_plan(): void
    {
        $plan = $this->plan();
        // An older invoice would come first, were the plan not named.
        $other = $this->charge($this->customer, 'LH-1140');
        $this->slip = (string) Str::uuid();
        $this->get("/counter/{$this->slip}/find?q=".strtolower($plan->label))
            ->assertOk()
            ->assertSee($plan->label)
            ->assertSee('pay a part');
        $this->does('add', ['entry' => strtolower($plan->label), 'version' => ''])
            ->assertOk()
            ->assertSee("goes on the parts of {$plan->label} first")
            ->assertSee('25.85');
        $this->does('cash', ['cash' => '30'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            [0, 2585, 2585, 2585],
            $plan->load('parts.item')->parts->map(static fn ($part) => $part->item->open->minor)->all(),
        );
        $this->assertSame(424, $this->open($other));
        $this->assertProves();
    }

    public function test_a_scanned_part_leads_to_its_plan_and_what_is_over_goes_on(): void
    {
        $plan = $this->plan();
        $part = (string) DB::table('documents')->where('id', $plan->parts[1]->document_id)->value('label');
        $other = $this->charge($this->customer, 'LH-1140');
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $part, 'version' => ''])
            ->assertOk()
            ->assertSee($plan->label);
        $this->does('on-account', ['on_account' => '105.40'])->assertOk();
        $this->does('cash', ['cash' => '105.40'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            [0, 0, 0, 0],
            $plan->load('parts.item')->parts->map(static fn ($one) => $one->item->open->minor)->all(),
        );
        $this->assertSame(424 - 200, $this->open($other));
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $plan->label, 'version' => ''])
            ->assertStatus(422)
            ->assertSee('Nothing is left to pay');
        $this->assertProves();
    }

    public function test_a_plan_of_somebody_else_is_not_put_on_the_slip(): void
    {
        $plan = $this->plan();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer('Somebody Else')->id])->assertOk();
        $this->does('add', ['entry' => $plan->label, 'version' => ''])
            ->assertStatus(422)
            ->assertSee('Begin another slip');
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->does('add', ['entry' => $plan->label, 'version' => ''])->assertOk();
        $this->does('on-account', ['on_account' => ''])->assertOk();
        $this->assertNull(Slip::query()->where('key', $this->slip)->value('plan_id'));
    }

    public function test_a_clerk_extends_and_cancels_with_a_supervisor_beside_them(): void
    {
        $layaway = $this->hold('50', 'MA-0031');
        $allowed = ['approver' => '201', 'approver_pin' => '4201', 'approver_reason' => 'known customer'];
        $extend = [
            'version' => $layaway->version,
            'first_due' => now()->addDays(20)->format('Y-m-d'),
            'expires_on' => now()->addDays(120)->format('Y-m-d'),
        ];
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertSee('Somebody who may allow it');
        $this->post("/layaways/{$layaway->label}/extend", $extend)->assertSessionHasErrors('refused');
        $this->post("/layaways/{$layaway->label}/extend", [
            ...$extend,
            ...$allowed,
            'approver' => '101',
            'approver_pin' => '4101',
        ])->assertSessionHasErrors('refused');
        $this->assertSame($layaway->expires_on->format('Y-m-d'), $this->again($layaway)->expires_on->format('Y-m-d'));
        $this->post("/layaways/{$layaway->label}/extend", [...$extend, ...$allowed])->assertSessionHasNoErrors();
        $extended = $this->again($layaway);
        $this->assertSame(now()->addDays(120)->format('Y-m-d'), $extended->expires_on->format('Y-m-d'));
        $cancel = [
            'key' => (string) Str::uuid(),
            'version' => $extended->version,
            'reason' => 'moves away',
            'back' => ['cash' => '40'],
        ];
        $this->post("/layaways/{$layaway->label}/cancel", $cancel)->assertSessionHasErrors('refused');
        $this->assertSame('ready,running', 'ready,'.$this->again($layaway)->state->value);
        $this->post("/layaways/{$layaway->label}/cancel", [...$cancel, ...$allowed])->assertSessionHasNoErrors();
        $this->assertSame('cancelled', $this->again($layaway)->state->value);
        $this->assertSame(
            2,
            Approval::query()->where('what', 'layaway_end')->where('approved_by', $this->staff('201')->id)->count(),
        );
        $this->assertProves();
    }

    public function test_serial_numbers_are_typed_where_the_goods_are_handed_over(): void
    {
        Item::query()
            ->where('code', 'MA-0031')
            ->update(['has_serials' => true]);
        $layaway = $this->hold('50', 'MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])->assertOk();
        $this->does("layaways/{$layaway->label}/amount", ['amount' => '53.40'])->assertOk();
        $this->does("layaways/{$layaway->label}/leaves", ['leaves' => '1'])
            ->assertOk()
            ->assertSee('Serial number of Tile saw');
        $this->does('cash', ['cash' => '53.40'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Type or scan which piece it is');
        $this->does("layaways/{$layaway->label}/serials/1", ['serials' => 'A1, A2'])
            ->assertStatus(422)
            ->assertSee('1 of them, but 2 serial numbers');
        $this->does("layaways/{$layaway->label}/serials/1", ['serials' => 'ts-77'])
            ->assertOk()
            ->assertSee('TS-77');
        $this->does('post')->assertOk();
        $this->assertSame(
            ['out', ['TS-77']],
            [
                DB::table('item_serials')->value('state'),
                Layaway::query()->firstOrFail()->document?->lines->first()?->serials,
            ],
        );
        $this->assertProves();
    }

    public function test_a_piece_that_left_with_another_is_not_handed_over_again(): void
    {
        Item::query()
            ->where('code', 'MA-0031')
            ->update(['has_serials' => true]);
        $layaway = $this->hold('50', 'MA-0031');
        $this->slip = (string) Str::uuid();
        $this->add('MA-0031');
        $this->does("lines/{$this->lineId()}", ['serials' => 'TS-77'])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])->assertOk();
        $this->does("layaways/{$layaway->label}/amount", ['amount' => '53.40'])->assertOk();
        $this->does("layaways/{$layaway->label}/leaves", ['leaves' => '1'])->assertOk();
        $this->does("layaways/{$layaway->label}/serials/1", ['serials' => 'TS-77'])
            ->assertStatus(422)
            ->assertSee('left the house');
        $this->assertProves();
    }

    public function test_goods_come_back_by_the_number_of_their_layaway_and_without_approval(): void
    {
        $layaway = $this->hold('50', 'MA-0031');
        $this->payOn($layaway, '53.40', leaves: true)->assertOk();
        $sold = $this->again($layaway)->load('document.lines')->document ?? $this->fail('not sold');
        $this->slip = (string) Str::uuid();
        $found = $this->get("/counter/{$this->slip}/back/find?q=".strtolower((string) $layaway->label))->assertOk();
        $found->assertSee('Tile saw')->assertSee($sold->label);
        $this->does('back', [
            'back' => ["{$sold->id}:1" => '1'],
            'goods_to' => '',
            'reason' => 'not_needed',
            'found_by' => (string) $layaway->label,
        ])->assertOk();
        $this->assertSame(
            [true],
            $this->slip()
                ->returns()
                ->pluck('receipt_shown')
                ->map(static fn (mixed $shown): bool => (bool) $shown)
                ->all(),
        );
    }

    public function test_the_day_a_card_paid_is_read_as_people_write_it(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('PI-2800')
            ->does('card', ['card' => '17.88'])
            ->assertOk();
        $this->does('post')->assertOk();
        $four = $this->document()->tenders->sole()->last_four;
        $find = fn (string $day): string => (string) $this->get(
            "/counter/{$this->slip}/back/find?q=".urlencode("{$four} {$day}"),
        )
            ->assertOk()
            ->getContent();

        foreach (
            [
                now()->format('n/j'),
                now()->format('m/d'),
                now()->format('n/j/Y'),
                now()->format('j.n.'),
                now()->format('j.n.Y'),
            ] as $day
        ) {
            $this->assertStringContainsString('Copper pipe', $find($day), $day);
        }

        foreach (['13/45', '2/30', '0/0', now()->addDays(40)->format('n/j')] as $day) {
            $this->assertStringNotContainsString('Copper pipe', $find($day), $day);
        }
    }

    public function test_the_number_of_a_gift_card_stands_on_the_original_only(): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '50'])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $card = GiftCard::query()->sole();
        $html = static fn (): string => (string) DB::table('printed_papers')->latest('id')->value('html');
        $number = $this->numberOf($card);
        $this->assertNull($card->refresh()->number, 'Printed once, the number stands nowhere any more.');
        $this->assertStringContainsString(CardCode::of($this->numberOf($card))->grouped(), $html());

        foreach (['receipt', 'invoice'] as $form) {
            $this->get("/documents/{$this->document()->label}/{$form}")
                ->assertOk()
                ->assertDontSee(CardCode::of($this->numberOf($card))->grouped())
                ->assertDontSee($this->numberOf($card));
        }

        $this->post("/documents/{$this->document()->label}/print")->assertRedirect();
        $this->assertStringContainsString('COPY', $html());
        $this->assertStringNotContainsString(CardCode::of($this->numberOf($card))->grouped(), $html());
        $this->assertStringNotContainsString($number, $html());
        $this->assertStringContainsString(substr($card->code, -4), $html());
    }

    public function test_the_first_page_of_somebody_who_signs_in_is_an_empty_slip(): void
    {
        $this->add('LH-1140');
        $this->as('201')->get('/counter')->assertRedirect();
        $fresh = (string) $this->get('/counter')->headers->get('Location');
        $this->assertStringNotContainsString($this->slip, $fresh);
        $this->get("/counter/{$this->slip}")->assertOk();
        $this->get('/counter')->assertRedirect("/counter/{$this->slip}");
        $this->does('clear')->assertOk();
        $this->assertStringNotContainsString($this->slip, (string) $this->get('/counter')->headers->get('Location'));
    }
}
