<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Deliveries\Stop;
use Elmstone\Deliveries\Vehicle;
use Elmstone\Orders\Order;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Orders brought by the shop's own lorries: the board, the run, what is taken at the door and what is not. */
final class DeliveryTest extends FeatureCase
{
    use Ordering;

    private Vehicle $lorry;

    private Vehicle $van;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Weir Masonry', [
            'phone' => '555 0134', 'mail' => 'office@weir.example', 'street' => '4 Weir Side', 'town' => 'Overmarsh',
        ]);
        $this->lorry = $this->vehicle('Lorry', '50.00');
        $this->van = $this->vehicle('Van', null);
    }

    public function test_an_order_is_given_to_a_lorry_and_stops_are_moved(): void
    {
        DB::table('items')->where('code', 'LH-1140')->update(['weight' => '9.5']);
        $orders = array_map(
            fn (int $i): Order => $this->order(['way' => 'delivery'], "{$i} x LH-1140"),
            [1, 2, 3],
        );
        $this->get('/deliveries')->assertSee('On no lorry yet')->assertSee($orders[0]->label)->assertSee('19 kg');
        array_map(fn (Order $order) => $this->plan($order)->assertSessionHasNoErrors(), $orders);
        $this->assertSame(array_column($orders, 'id'), $this->inOrder());
        $this->get('/deliveries')->assertSee('57 of 50 kg: too much for it');
        $this->plan($orders[0])->assertSessionHasErrors(['refused' => "{$orders[0]->label} is on a lorry already."]);

        $this->acts($orders[2], 'move', ['by' => '-1']);
        $this->assertSame([$orders[0]->id, $orders[2]->id, $orders[1]->id], $this->inOrder());
        $this->acts($orders[0], 'move', ['by' => '-1']);
        $this->acts($orders[0], 'move', ['by' => '50']);
        $this->assertSame([$orders[2]->id, $orders[1]->id, $orders[0]->id], $this->inOrder());
        $this->acts($orders[1], 'give', ['vehicle' => $this->van->id, 'day' => $this->day()]);
        $this->assertSame([$orders[2]->id, $orders[0]->id], $this->inOrder());
        $this->assertSame([$orders[1]->id], $this->inOrder($this->van));
        $this->acts($orders[2], 'take-off', []);
        $this->assertSame([$orders[0]->id], $this->inOrder());
        $stop = $this->stop($orders[0]);
        $this->post("/deliveries/stops/{$stop->id}/move", ['version' => '1', 'by' => '1'])
            ->assertSessionHasErrors('refused');
    }

    public function test_what_may_not_be_planned(): void
    {
        $collected = $this->order([], 'LH-1140');
        $this->plan($collected)->assertSessionHasErrors('refused');
        $brought = $this->order(['way' => 'delivery'], 'LH-1140');
        $this->plan($brought, day: ShopTime::today()->subDay()->format('Y-m-d'))->assertSessionHasErrors('refused');
        DB::table('agreements')->where('id', $brought->id)->update(['deliver_to' => '']);
        $this->plan($brought)->assertSessionHasErrors('refused');
        DB::table('agreements')->where('id', $brought->id)->update(['deliver_to' => '4 Weir Side']);
        $this->lorry->forceFill(['active' => false])->save();
        $this->plan($brought)->assertSessionHasErrors('refused');
        $this->assertSame(0, DB::table('stops')->count());
    }

    public function test_what_is_taken_is_invoiced_and_what_is_refused_stays_ordered(): void
    {
        $order = $this->order(['way' => 'delivery', 'deposit' => '30'], '5 x LH-1140', '2 x LH-1141');
        $this->plan($order);
        $stop = $this->stop($order);
        $this->get("/deliveries/stops/{$stop->id}")->assertOk()->assertSee('Collect 0.86');
        $taken = fn (array $fields): TestResponse => $this->post("/deliveries/stops/{$stop->id}/delivered", [
            'version' => '1', 'quantity' => [1 => '3', 2 => '2'], 'name' => 'R. Underhay', ...$fields,
        ])->assertRedirect();
        $taken(['name' => ''])->assertSessionHasErrors('name');
        $taken([])->assertSessionHasErrors('why');
        $taken(['quantity' => [1 => '6'], 'why' => 'x'])->assertSessionHasErrors('refused');
        $taken(['quantity' => [1 => '0', 2 => ''], 'why' => 'x'])->assertSessionHasErrors('refused');
        $taken(['signature' => 'M<script>', 'why' => 'two chipped'])->assertSessionHasErrors('signature');
        $taken(['signature' => 'M1 1 L2 2 L3 9', 'why' => 'two chipped'])->assertSessionHasNoErrors();
        $ended = $stop->refresh();
        $this->assertSame(['delivered', 'two chipped', 'R. Underhay'], [
            $ended->state->value, $ended->said, $ended->signed_by,
        ]);
        $this->assertSame('22.39', $ended->document?->total->toString());
        $this->assertSame(['3 2 0 0', '2 0 0 0'], [$this->line($order), $this->line($order, 2)]);
        $taken(['why' => 'again'])->assertSessionHasErrors('refused');
        $this->assertSame(1, DB::table('documents')->where('supplies', $order->label)->count());
        // The rest goes on another lorry.
        $this->plan($order)->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_what_is_paid_at_the_door_is_settled_at_the_counter(): void
    {
        $order = $this->order(['way' => 'delivery'], '5 x LH-1140');
        $this->plan($order);
        $stop = $this->stop($order);
        $this->post("/deliveries/stops/{$stop->id}/delivered", [
            'version' => '1', 'quantity' => [1 => '4'], 'name' => 'R. Underhay', 'why' => 'one chipped',
        ])->assertSessionHasNoErrors();
        $this->assertStringContainsString('not paid yet', $stop->refresh()->not_invoiced);
        $this->get('/deliveries')->assertSee('Delivered, not invoiced yet')->assertSee($order->label);
        $this->scans($order)->assertOk();
        $this->assertSame(['1' => '4'], array_map(
            strval(...),
            $this->slip()->orderParts()[$order->id]->leaving->quantities,
        ));
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('4 1 0 0', $this->line($order));
        $this->get('/deliveries')->assertDontSee('Delivered, not invoiced yet');
        // Tried again, what was settled at the counter is not supplied a second time.
        $this->post("/deliveries/stops/{$stop->id}/invoice")->assertRedirect();
        $this->assertSame('4 1 0 0', $this->line($order));
        $this->assertProves();
    }

    public function test_what_was_taken_and_is_not_invoiced_holds_the_order(): void
    {
        $order = $this->order(['way' => 'delivery'], '5 x LH-1140');
        $this->plan($order);
        $this->post("/deliveries/stops/{$this->stop($order)->id}/delivered", [
            'version' => '1', 'quantity' => [1 => '4'], 'name' => 'R. Underhay', 'why' => 'one chipped',
        ])->assertSessionHasNoErrors();
        // Goods that are gone are not cancelled, not picked again, not brought a second time.
        $this->changes($order, 'cancel', ['reason' => 'not needed'])->assertSessionHasErrors('refused');
        $this->changes($order, 'change', ['quantity' => [1 => '1'], 'reason' => 'x'])
            ->assertSessionHasErrors('refused');
        $this->post("/orders/{$order->label}/pick/1", ['quantity' => '', 'act' => (string) Str::uuid()])
            ->assertStatus(422);
        $this->post("/orders/{$order->label}/pick/finish")->assertSessionHasErrors();
        $this->plan($order)->assertSessionHasErrors('refused');
        $this->get('/deliveries')->assertDontSee("value=\"{$order->label}\"", false);
        // Two of the four are settled: the other two are still owed for.
        $this->scans($order)->assertOk();
        $this->does("orders/{$order->label}/lines/1", ['quantity' => '2'])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $this->get('/deliveries')->assertSee('Delivered, not invoiced yet');
        $this->changes($order, 'cancel', ['reason' => 'not needed'])->assertSessionHasErrors('refused');
        $this->scans($order)->assertOk();
        $this->assertSame(['1' => '2'], array_map(
            strval(...),
            $this->slip()->orderParts()[$order->id]->leaving->quantities,
        ));
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $this->get('/deliveries')->assertDontSee('Delivered, not invoiced yet');
        $this->changes($order, 'cancel', ['reason' => 'not needed'])->assertSessionHasNoErrors();
        $this->assertSame('4 0 0 1', $this->line($order));
        $this->assertProves();
    }

    public function test_what_is_not_delivered_comes_back_and_waits_for_another_lorry(): void
    {
        $order = $this->order(['way' => 'delivery'], '5 x LH-1140');
        $this->plan($order);
        $stop = $this->stop($order);
        $this->post("/deliveries/stops/{$stop->id}/failed", ['version' => '1', 'why' => ''])
            ->assertSessionHasErrors('why');
        $this->post("/deliveries/stops/{$stop->id}/failed", ['version' => '1', 'why' => 'nobody there'])
            ->assertSessionHasNoErrors();
        $this->assertSame('0 5 0 0', $this->line($order));
        $this->get('/deliveries')->assertSee('nobody there');
        $this->plan($order)->assertSessionHasNoErrors();
        $this->assertSame(2, DB::table('stops')->count());
    }

    public function test_the_run_on_the_phone_and_on_paper(): void
    {
        $order = $this->order(['way' => 'delivery'], '5 x LH-1140');
        $this->plan($order);
        $this->get("/deliveries/run/{$this->lorry->id}")->assertOk()->assertSee('collect')->assertSee('4 Weir Side');
        $pdf = $this->get("/deliveries/run/{$this->lorry->id}/sheet.pdf")->assertOk();
        $this->assertStringStartsWith('%PDF', (string) $pdf->getContent());
    }

    public function test_goods_without_a_number_that_were_taken_hold_their_order_too(): void
    {
        $this->readyToOrder(['way' => 'delivery', 'deliver_to' => '4 Cutting Lane'], '2 x LH-1140');
        $this->does('one-off', [
            'description' => 'Slate sundial', 'price' => '80', 'quantity' => '2', 'tax_class' => 'standard',
            'department_id' => $this->item('LH-1140')->department_id,
        ])->assertOk();
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $this->plan($order)->assertSessionHasNoErrors();
        $this->acts($order, 'delivered', [
            'quantity' => [1 => '0', 2 => '1'], 'name' => 'R. Quarry', 'why' => 'one broken, hooks not wanted',
        ]);
        $this->assertNull($this->stop($order)->document_id);
        $this->as('301')->changes($order, 'cancel', ['reason' => 'no more'])->assertSessionHasErrors();
        $this->plan($order)->assertSessionHasErrors();
        $this->scans($this->theOrder($order->id))->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $invoice = Document::query()->with('lines')->where('supplies', $order->label)->firstOrFail();
        $this->assertSame(['Slate sundial 1'], $invoice->lines->whereNotNull('department_id')->map(
            static fn ($line): string => "{$line->description} {$line->quantity->toString()}",
        )->values()->all());
        $this->assertSame(['0 2 0 0', '1 0 1 0'], [$this->line($order), $this->line($order, 2)]);
        $this->changes($order, 'cancel', ['reason' => 'no more'])->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_lorries_are_named_once_and_say_what_they_carry(): void
    {
        $this->as('301');
        $this->post('/vehicles', ['name' => 'Lorry'])->assertSessionHasErrors('name');
        $this->post('/vehicles', ['name' => 'Trailer', 'carries' => 'much'])->assertSessionHasErrors('carries');
        $this->post('/vehicles', ['name' => 'Trailer', 'carries' => '1200'])->assertSessionHasNoErrors();
        $this->get('/vehicles')->assertSee('Trailer')->assertSee('value="1200"', false);
        $this->as('101');
        $this->post('/vehicles', ['name' => 'Cart'])->assertForbidden();
    }

    private function vehicle(string $name, ?string $carries): Vehicle
    {
        return Vehicle::query()->create([
            'location_id' => DB::table('tills')->orderBy('id')->value('location_id'),
            'name' => $name, 'carries' => $carries, 'active' => true,
        ]);
    }

    private function day(): string
    {
        return ShopTime::today()->format('Y-m-d');
    }

    /** @return TestResponse<Response> */
    private function plan(Order $order, ?string $day = null): TestResponse
    {
        return $this->post('/deliveries', [
            'order' => $order->label, 'vehicle' => $this->lorry->id, 'day' => $day ?? $this->day(),
        ]);
    }

    private function stop(Order $order): Stop
    {
        return Stop::query()->where('agreement_id', $order->id)->latest('id')->firstOrFail();
    }

    /** @param  array<string, mixed>  $fields */
    private function acts(Order $order, string $act, array $fields): void
    {
        $stop = $this->stop($order);
        $this->post("/deliveries/stops/{$stop->id}/{$act}", ['version' => $stop->version, ...$fields])
            ->assertSessionHasNoErrors();
    }

    /** @return list<int> orders in the order of their stops */
    private function inOrder(?Vehicle $vehicle = null): array
    {
        return Stop::query()
            ->where('vehicle_id', $vehicle->id ?? $this->lorry->id)
            ->orderBy('sequence')
            ->pluck('agreement_id')
            ->all();
    }
}
