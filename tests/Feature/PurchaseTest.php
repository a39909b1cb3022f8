<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseState;
use Elmstone\Purchasing\Receiving\Delivery;
use Elmstone\Purchasing\Suppliers\SupplierInvoice;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** What is bought: from what waits to the supplier, what comes in and whom it goes to, their invoice. */
final class PurchaseTest extends FeatureCase
{
    use Ordering;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Weir Masonry', ['phone' => '555 0134', 'mail' => 'office@weir.example']);
        $this->as('301');
    }

    private function cost(string $code): string
    {
        return $this->item($code)->cost->toString();
    }

    private function onHand(string $code): string
    {
        return (string) DB::table('stock')->where('item_id', $this->item($code)->id)->sum('on_hand');
    }

    public function test_goods_come_in_at_what_they_cost_with_their_freight(): void
    {
        $purchase = $this->bought('10 LH-1140 10.00', '5 LH-1141 10.00');
        $this->receives($purchase, [1 => '10', 2 => '5'], ['freight' => '25', 'delivery_note' => 'DN 9'])
            ->assertSessionHasNoErrors();
        $this->assertSame('60.0000', $this->onHand('LH-1140'));
        // (50 × 1.92 + 116.67) ÷ 60
        $this->assertSame('3.5445', $this->cost('LH-1140'));
        $delivery = Delivery::query()->firstOrFail();
        $this->assertSame('175.00', $delivery->amount->toString());
        $this->assertSame(PurchaseState::Done, $purchase->refresh()->state);
        $this->assertProves();
    }

    public function test_under_over_wrong_and_damaged_are_said(): void
    {
        $purchase = $this->bought('10 LH-1140 2.00');
        $this->receives($purchase, [1 => '6'], ['refused' => [1 => '1'], 'why' => [1 => 'damaged']])
            ->assertSessionHasNoErrors();
        $this->assertSame(PurchaseState::Sent, $purchase->refresh()->state);
        $this->assertSame('damaged', DB::table('delivery_lines')->value('refused_why'));
        $this->receives($purchase, [1 => '7'], ['code' => 'LH-1141', 'many' => '2', 'more_worth' => '5'])
            ->assertSessionHasNoErrors();
        $this->assertSame(PurchaseState::Done, $purchase->refresh()->state);
        $this->assertSame(['63.0000', '52.0000'], [$this->onHand('LH-1140'), $this->onHand('LH-1141')]);
        $this->get("/purchases/{$purchase->label}")->assertOk()->assertSee('not invoiced yet');
        $this->assertProves();
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badSheets(): iterable
    {
        yield 'nothing came' => [['quantity' => []], 'how many came in'];
        yield 'cost nothing' => [['quantity' => [1 => '0'], 'code' => 'LH-1141', 'many' => '1'], 'what LH-1141 cost'];
        yield 'a million' => [['quantity' => [1 => '1000000']], 'so many at once'];
        yield 'no number' => [['quantity' => [1 => 'ten']], 'ten'];
        yield 'below nothing' => [['quantity' => [1 => '-3']], 'minus'];
        yield 'an item that is not' => [['quantity' => [1 => '1'], 'code' => 'NO-SUCH'], 'NO-SUCH'];
        yield 'seen before somebody changed it' => [['quantity' => [1 => '1'], 'version' => '1'], 'meanwhile'];
        yield 'freight below nothing' => [['quantity' => [1 => '1'], 'freight' => '-5'], ''];
    }

    /** @param  array<string, mixed>  $fields */
    #[DataProvider('badSheets')]
    public function test_a_bad_sheet_is_refused_and_nothing_comes_in(array $fields, string $says): void
    {
        $purchase = $this->bought('10 LH-1140 2.00');
        $this->receives($purchase, [], $fields)->assertSessionHasErrors();
        $said = implode(' ', session('errors')->all());
        $says === '' || $this->assertStringContainsString($says, $said);
        $this->assertSame('50.0000', $this->onHand('LH-1140'));
        $this->assertSame(0, Delivery::query()->count());
    }

    public function test_the_same_sheet_comes_in_once_and_another_purchases_line_not_at_all(): void
    {
        $purchase = $this->bought('10 LH-1140 2.00');
        $key = (string) Str::uuid();
        $this->receives($purchase, [1 => '4'], ['key' => $key])->assertSessionHasNoErrors();
        $this->receives($purchase, [1 => '4'], ['key' => $key, 'version' => '2'])->assertSessionHasNoErrors();
        $this->assertSame('54.0000', $this->onHand('LH-1140'));
        $this->receives($purchase, [2 => '4'])->assertSessionHasErrors();
        $this->assertProves();
    }

    public function test_goods_for_nothing_are_meant_so(): void
    {
        $purchase = $this->bought('10 LH-1140 0');
        $this->receives($purchase, [1 => '10'])->assertSessionHasErrors('refused');
        $this->receives($purchase, [1 => '10'], ['costs_nothing' => '1'])->assertSessionHasNoErrors();
        $this->assertSame('1.6', $this->cost('LH-1140'));
        $this->assertProves();
    }

    public function test_goods_the_shop_does_not_keep_get_a_number_and_are_bought_for_their_order(): void
    {
        $this->as('101')->readyToOrder(['source' => 'special'], 'LH-1141');
        $this->does('one-off', [
            'description' => 'Slate sundial, 400 mm',
            'price' => '80',
            'tax_class' => 'standard',
            'department_id' => $this->item('LH-1140')->department_id,
            'quantity' => '2',
        ])->assertOk();
        $this->does('order/terms', ['deposit' => '100'])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $supplier = $this->supplier();
        $this->post("/orders/{$order->label}/buy/2", ['supplier' => $supplier->id])->assertForbidden();
        $this->as('301')->get("/orders/{$order->label}")->assertOk()->assertSee('Without a number of ours');
        $this->changes($order, 'buy/2', ['expected_cost' => '45'])->assertSessionHasErrors('supplier.2');
        $this->changes($order, 'buy/2', ['supplier' => $supplier->id])->assertSessionHasErrors('cost.2');
        $this->changes($order, 'buy/2', [
            'supplier' => $supplier->id, 'expected_cost' => '45', 'their_code' => 'SD-400',
        ])->assertSessionHasNoErrors();
        $total = $order->total;
        $order = $this->theOrder($order->id);
        $this->assertSame($total->toString(), $order->total->toString());
        $code = (string) $order->line(2)?->code;
        $this->assertStringStartsWith('SO', $code);
        $this->changes($order, 'buy/2', ['supplier' => $supplier->id, 'expected_cost' => '45'])
            ->assertSessionHasErrors();
        $id = $this->item($code)->id;
        $this->get('/to-buy')->assertOk()->assertSee($order->label)->assertSee('Slate sundial');
        $this->post('/to-buy', [
            'key' => (string) Str::uuid(),
            'rows' => ["{$id}-buy" => '1', "{$id}-many" => '2', "{$id}-of" => (string) $supplier->id],
        ])->assertSessionHasNoErrors();
        $purchase = Purchase::query()->firstOrFail();
        $this->assertSame('SD-400', $purchase->lines()->first()?->their_code);
        $this->post("/purchases/{$purchase->label}/send", ['version' => '1'])->assertSessionHasNoErrors();
        $this->receives($purchase, [1 => '2'])->assertSessionHasNoErrors();
        $this->assertSame('0 2 0 0', $this->line($order, 2));
        $this->as('101')->scans($this->theOrder($order->id))->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('2 0 0 0', $this->line($order, 2));
        $this->assertSame('0.0000', $this->onHand($code));
        $this->assertProves();
    }

    public function test_what_waits_is_bought_and_goes_to_who_waits_when_it_comes(): void
    {
        $first = $this->as('101')->order([], '60 x LH-1140');
        $second = $this->order([], '8 x LH-1140');
        $this->assertSame(['0 50 10 0', '0 0 8 0'], [$this->line($first), $this->line($second)]);
        $this->supplier();
        $this->as('301')->get('/to-buy')->assertOk()->assertSee($first->label)->assertSee($second->label);
        $id = $this->item('LH-1140')->id;
        $this->post('/to-buy', [
            'key' => (string) Str::uuid(),
            'rows' => ["{$id}-buy" => '1', "{$id}-many" => '20', "{$id}-of" => (string) $this->supplier()->id],
        ])->assertRedirect()->assertSessionHasNoErrors();
        $purchase = Purchase::query()->firstOrFail();
        $this->get("/orders/{$first->label}")->assertOk()->assertSee($purchase->label);
        $this->get('/to-buy')->assertOk()->assertDontSee($first->label);
        $this->post("/purchases/{$purchase->label}/send", ['version' => '1'])->assertSessionHasNoErrors();
        $this->assertSame(1, DB::table('sent_mails')->where('recipient', 'orders@northgate.example')->count());
        $this->assertProves();

        $this->receives($purchase, [1 => '13'], ['worth' => [1 => '26']])->assertSessionHasNoErrors();
        $this->assertSame(['0 60 0 0', '0 3 5 0'], [$this->line($first), $this->line($second)]);
        $this->assertSame(
            2,
            DB::table('printed_papers')->where('title', 'like', 'ORD-%label')->count(),
            'a label for each',
        );
        $this->assertSame(2, DB::table('sent_mails')->where('recipient', 'office@weir.example')->count());
        $this->assertProves();

        $this->receives($purchase, [1 => '7'], ['worth' => [1 => '14']])->assertSessionHasNoErrors();
        $this->assertSame('0 8 0 0', $this->line($second));
        $this->assertProves();
    }

    public function test_stock_that_comes_in_goes_to_the_oldest_order_first(): void
    {
        $this->as('101');
        $first = $this->order([], '55 x LH-1140');
        $second = $this->order([], '3 x LH-1140');
        $purchase = $this->as('301')->bought('6 LH-1140 2.00');
        $this->receives($purchase, [1 => '6'])->assertSessionHasNoErrors();
        $this->assertSame(['0 55 0 0', '0 1 2 0'], [$this->line($first), $this->line($second)]);
        $this->assertProves();
    }

    public function test_what_is_given_up_waits_anew_and_what_is_cancelled_comes_to_stock(): void
    {
        $order = $this->as('101')->order([], '60 x LH-1140');
        $this->supplier();
        $id = $this->item('LH-1140')->id;
        $buy = [
            'rows' => ["{$id}-buy" => '1', "{$id}-many" => '10', "{$id}-of" => (string) $this->supplier()->id],
        ];
        $this->as('301')->post('/to-buy', ['key' => (string) Str::uuid(), ...$buy])->assertSessionHasNoErrors();
        $purchase = Purchase::query()->firstOrFail();
        $this->post("/purchases/{$purchase->label}", ['version' => '1', 'quantity' => [1 => '4']])
            ->assertSessionHasErrors('refused');
        $this->post("/purchases/{$purchase->label}/send", ['version' => '1']);
        $this->post("/purchases/{$purchase->label}/close", ['version' => '2'])->assertSessionHasNoErrors();
        $this->assertSame(PurchaseState::Cancelled, $purchase->refresh()->state);
        $this->get('/to-buy')->assertOk()->assertSee($order->label);
        $this->post('/to-buy', ['key' => (string) Str::uuid(), ...$buy])->assertSessionHasNoErrors();
        $second = Purchase::query()->orderByDesc('id')->firstOrFail();
        $this->post("/purchases/{$second->label}/send", ['version' => '1']);
        $this->changes($order, 'cancel', ['reason' => 'job is off'])->assertSessionHasNoErrors();
        $this->assertSame(0, DB::table('purchase_links')->count());
        $this->receives($second, [1 => '10'])->assertSessionHasNoErrors();
        $this->assertSame('60.0000', $this->onHand('LH-1140'));
        $this->assertProves();
    }

    public function test_the_suppliers_invoice_clears_what_came_in_and_a_difference_is_accepted_or_not(): void
    {
        $supplier = $this->supplier();
        $purchase = $this->bought('10 LH-1140 2.00');
        $this->receives($purchase, [1 => '10'], ['freight' => '3'])->assertSessionHasNoErrors();
        $delivery = Delivery::query()->firstOrFail();
        $invoice = [
            'key' => (string) Str::uuid(), 'ticked' => [(string) $delivery->document_id], 'number' => 'R-100',
            'dated' => ShopTime::today()->format('Y-m-d'),
        ];
        $to = "/suppliers/{$supplier->id}/invoice";
        $this->get($to)->assertOk()->assertSee('23.00');
        $this->post($to, [...$invoice, 'amount' => '24.50'])->assertSessionHasErrors('amount');
        $this->post($to, [...$invoice, 'amount' => '24.50', 'number' => ''])->assertSessionHasErrors('number');
        $this->post($to, [...$invoice, 'amount' => '24.50', 'accepted' => '1'])->assertSessionHasNoErrors();
        $this->post($to, [...$invoice, 'amount' => '24.50', 'accepted' => '1'])->assertSessionHasNoErrors();
        $this->assertSame(1, SupplierInvoice::query()->count());
        $this->assertSame(['1.50', '24.50'], [
            $this->balance('price_differences'), $this->balance('payables', -1),
        ]);
        $this->assertSame('0.00', $this->balance('goods_received'));
        $this->post($to, [...$invoice, 'key' => (string) Str::uuid(), 'amount' => '23'])
            ->assertSessionHasErrors('number');
        $this->assertProves();
    }

    public function test_deliveries_of_another_supplier_are_not_on_the_invoice(): void
    {
        $purchase = $this->bought('10 LH-1140 2.00');
        $this->receives($purchase, [1 => '10'])->assertSessionHasNoErrors();
        $other = $this->supplier('SOUTH');
        $this->post("/suppliers/{$other->id}/invoice", [
            'key' => (string) Str::uuid(), 'ticked' => [(string) Delivery::query()->value('document_id')],
            'number' => 'S-1', 'amount' => '20',
        ])->assertSessionHasErrors('ticked');
    }

    public function test_an_order_to_a_supplier_goes_out_as_paper_and_as_a_file(): void
    {
        $purchase = $this->bought('10 LH-1140 2.00');
        $this->get("/purchases/{$purchase->label}/order.pdf")->assertOk();
        $xml = $this->get("/purchases/{$purchase->label}/order.xml")->assertOk()->getContent();
        $this->assertStringContainsString('<cbc:ID>'.$purchase->label.'</cbc:ID>', (string) $xml);
        $this->assertStringContainsString('<cbc:Quantity unitCode="C62">10</cbc:Quantity>', (string) $xml);
    }

    public function test_on_order_and_its_day_are_seen_at_the_counter(): void
    {
        $this->bought('30 LH-1140 2.00');
        $this->as('101')->readyToOrder([], '70 x LH-1140');
        $day = ShopTime::today()->addDays(7)->format('j M Y');
        $this->get("/counter/{$this->slip}")->assertOk()->assertSee("on {$day}")->assertSee('30 on order');
        $this->get("/counter/{$this->slip}/find?q=LH-1140")->assertOk()->assertSee('30 on order');
    }

    private function balance(string $account, int $sign = 1): string
    {
        $sum = (int) DB::table('journal_lines')->where('account', $account)->sum(DB::raw('debit - credit'));

        return number_format($sign * $sum / 100, 2);
    }

    public function test_documents_of_goods_in_stand_in_the_register(): void
    {
        $purchase = $this->bought('10 LH-1140 2.00');
        $this->receives($purchase, [1 => '10'])->assertSessionHasNoErrors();
        $label = Document::query()->whereKey(Delivery::query()->value('document_id'))->value('label');
        $this->get("/documents/{$label}")->assertOk()->assertSee($purchase->label);
    }

    public function test_how_little_there_may_be_is_kept_with_what_a_supplier_sells(): void
    {
        $supplier = $this->supplier();
        $keeps = fn (array $fields): TestResponse => $this->as('301')->post("/suppliers/{$supplier->id}/items", [
            'code' => 'LH-1140', 'item_cost' => '1.80', ...$fields,
        ]);
        $keeps(['least' => '60', 'up_to' => '20'])->assertSessionHasErrors('least');
        $keeps(['least' => 'few'])->assertSessionHasErrors('least');
        $keeps(['least' => '60', 'up_to' => '100'])->assertSessionHasNoErrors();
        $this->get("/suppliers/{$supplier->id}")->assertSee('60 to 100');
        // Fifty are there: it is below its least, and bought up to a hundred.
        $this->get('/to-buy')->assertSee('LH-1140');
        $keeps(['least' => ''])->assertSessionHasNoErrors();
        $this->get('/to-buy')->assertSee('LH-1140');
        $keeps(['least' => '0'])->assertSessionHasNoErrors();
        $this->get('/to-buy')->assertSee('Nothing is to be bought');
    }
}
