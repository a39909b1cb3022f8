<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Orders\Order;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Goods of an order gathered by scan: wrong ones are refused, short ones wait, pieces are named. */
final class PickTest extends FeatureCase
{
    use Ordering;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Weir Masonry', ['phone' => '555 0134', 'mail' => 'office@weir.example']);
    }

    public function test_each_scan_counts_one_and_says_how_far_it_is(): void
    {
        $order = $this->order([], '2 x LH-1140', '3 x LH-1141');
        $this->get("/orders/{$order->label}/pick")->assertOk()->assertSee('each scan counts one');
        $this->scanned($order, 'LH-1140')
            ->assertOk()
            ->assertHeader('X-Sound', 'taken')
            ->assertSee('1 of 2 × Limestone hook, plain, 140 mm', false);
        $this->scanned($order, 'lh-1140')->assertSee('2 of 2');
        $this->scanned($order, 'LH-1140')
            ->assertStatus(422)
            ->assertHeader('X-Sound', 'refused')
            ->assertSee('are picked. Put this one back');
        $this->assertSame(['1' => '2.0000'], $this->picks($order));
    }

    public function test_wrong_goods_unknown_codes_and_what_waits_are_refused(): void
    {
        DB::table('stock')->where('item_id', $this->item('PI-2800')->id)->update(['on_hand' => 0]);
        $order = $this->order([], 'LH-1140', '2 x PI-2800');
        $this->scanned($order, 'LH-1141')->assertStatus(422)->assertSee('Wrong goods')->assertSee('LH-1141');
        $this->scanned($order, '4000000000017')->assertStatus(422)->assertSee('Nothing is known by');
        $this->scanned($order, 'PI-2800')->assertStatus(422)->assertSee('it waits for goods');
        $this->assertSame([], $this->picks($order));
    }

    public function test_a_scan_that_is_sent_again_counts_once(): void
    {
        $order = $this->order([], '4 x LH-1140');
        $act = (string) Str::uuid();
        $this->scanned($order, 'LH-1140', $act)->assertOk();
        $this->scanned($order, 'LH-1140', $act)->assertOk();
        $this->assertSame(['1' => '1.0000'], $this->picks($order));
    }

    public function test_counted_goods_are_typed_and_never_more_than_are_set_aside(): void
    {
        $order = $this->order([], '40 x LH-1140');
        $this->counted($order, 1, '39')->assertOk();
        $this->counted($order, 1, '41')->assertStatus(422)->assertSee('Only 40');
        $this->counted($order, 1, 'many')->assertStatus(422);
        $this->assertSame(['1' => '39.0000'], $this->picks($order));
        $this->counted($order, 1, '')->assertOk();
        $this->assertSame([], $this->picks($order));
    }

    public function test_what_is_short_waits_again_and_what_was_picked_leaves(): void
    {
        $order = $this->order(['deposit' => '25'], '5 x LH-1140', '2 x LH-1141');
        $this->post("/orders/{$order->label}/pick/finish")->assertSessionHasErrors();
        $this->counted($order, 1, '3')->assertOk();
        $this->counted($order, 2, '2')->assertOk();
        $this->post("/orders/{$order->label}/pick/finish")
            ->assertSessionHas('done', fn (string $said): bool => str_contains($said, '2 × Limestone hook, plain'));
        $this->assertSame(['0 3 2 0', '0 2 0 0'], [$this->line($order), $this->line($order, 2)]);
        $this->assertSame('3.0000', DB::table('commitments')->where('item_id', $this->item('LH-1140')->id)
            ->value('quantity'));
        // At the counter exactly that is proposed, and then gone from the list.
        $this->scans($order)->assertOk();
        $this->assertSame(
            ['1' => '3', '2' => '2'],
            array_map(strval(...), $this->slip()->orderParts()[$order->id]->leaving->quantities),
        );
        $this->supplies($order, [1 => '3', 2 => '2'])->assertSessionHasNoErrors();
        $this->assertSame([], $this->picks($order));
        $this->assertProves();
    }

    public function test_single_pieces_are_scanned_by_their_numbers(): void
    {
        $item = $this->item('LH-1140');
        DB::table('items')->where('id', $item->id)->update(['has_serials' => true]);
        DB::table('item_serials')->insert([
            ['item_id' => $item->id, 'serial' => 'HK-1', 'state' => 'in', 'agreement_id' => null],
            ['item_id' => $item->id, 'serial' => 'HK-2', 'state' => 'out', 'agreement_id' => null],
        ]);
        $order = $this->order([], '2 x LH-1140');
        $this->scanned($order, 'LH-1140')->assertStatus(422)->assertSee('Scan the serial number');
        $this->scanned($order, 'hk-1')->assertOk()->assertSee('HK-1');
        $this->scanned($order, 'HK-1')->assertStatus(422)->assertSee('picked already');
        $this->scanned($order, 'HK-2')->assertStatus(422)->assertSee('has left the shop');
        // One that was never counted in is typed from its plate.
        $this->counted($order, 1, 'HK-1, HK-9')->assertOk();
        $this->counted($order, 1, 'HK-1, HK-1')->assertStatus(422)->assertSee('stands here twice');
        $this->assertSame(
            [1 => ['HK-1', 'HK-9']],
            $this->theOrder($order->id)->leavesNow($order->location_id)->serials,
        );
    }

    public function test_goods_are_gathered_by_shelf_as_the_item_says(): void
    {
        $item = $this->item('LH-1141');
        $fields = [
            'code' => $item->code, 'description' => $item->description, 'department_id' => $item->department_id,
            'unit' => 'each', 'price_per' => 1, 'list_price' => '4.40', 'cost' => $item->cost->toString(),
            'tax_class' => 'standard', 'active' => '1', 'may_discount' => '1', 'shelf' => ' A 3 ',
        ];
        $this->as('301');

        foreach (['-1', '1.2345', 'heavy'] as $weight) {
            $this->post('/items/LH-1141', [...$fields, 'weight' => $weight])->assertSessionHasErrors('weight');
        }

        $this->post('/items/LH-1141', [...$fields, 'weight' => '2.4'])->assertSessionHasNoErrors();
        $this->assertSame(['2.400', 'A 3'], [$item->refresh()->weight, $item->shelf]);
        DB::table('items')->where('code', 'LH-1140')->update(['shelf' => 'B 1']);
        $order = $this->order([], 'LH-1140', 'LH-1141');
        $this->get("/orders/{$order->label}/pick")->assertSeeInOrder(['A 3', 'LH-1141', 'B 1', 'LH-1140']);
        $this->post('/items/LH-1141', [...$fields, 'weight' => ''])->assertSessionHasNoErrors();
        $this->assertSame('0.000', $item->refresh()->weight);
    }

    public function test_another_location_and_an_ended_order_are_refused(): void
    {
        $order = $this->order(['deposit' => '8.47'], '2 x LH-1140');
        $this->supplies($order, [1 => '2'])->assertSessionHasNoErrors();
        $this->scanned($order, 'LH-1140')->assertStatus(422)->assertSee('supplied already');
        $this->as('301', 3);
        $other = $this->order([], 'LH-1141');
        $this->as('301');
        $this->scanned($other, 'LH-1141')->assertStatus(422)->assertSee('leaves at another location');
    }

    /** @return TestResponse<Response> */
    private function scanned(Order $order, string $what, ?string $act = null): TestResponse
    {
        return $this->post(
            "/orders/{$order->label}/pick",
            ['scanned' => $what, 'act' => $act ?? (string) Str::uuid()],
        );
    }

    /** @return TestResponse<Response> */
    private function counted(Order $order, int $position, string $quantity): TestResponse
    {
        return $this->post(
            "/orders/{$order->label}/pick/{$position}",
            ['quantity' => $quantity, 'act' => (string) Str::uuid()],
        );
    }

    /** @return array<string> by position */
    private function picks(Order $order): array
    {
        return DB::table('order_picks')->where('agreement_id', $order->id)->pluck('quantity', 'position')->all();
    }
}
