<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Quantity;
use Elmstone\Purchasing\PurchasePaper;
use Elmstone\Tests\Feature\FeatureCase;
use Elmstone\Tests\Feature\Ordering;
use Elmstone\WebOrders\ReceiveWebOrder;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\StandIn\ComposeOrder;
use Elmstone\WebOrders\Ubl\WriteDespatch;
use Elmstone\WebOrders\Ubl\WriteResponse;
use Illuminate\Support\Facades\DB;

/**
 * Orders, order responses and despatch advices of UBL 2.1: the parts they share with invoices, held against the schema
 * of the library that invoices are held against. It has none of the documents themselves.
 */
final class UblOrderTest extends FeatureCase
{
    use Ordering;

    private static function assertRight(string $xml, int $least): void
    {
        [$looked, $found] = UblSchema::parts($xml);
        self::assertSame([], $found);
        self::assertGreaterThanOrEqual($least, $looked);
    }

    public function test_the_checker_finds_what_is_wrong(): void
    {
        $cac = 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2';
        $cbc = 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2';
        $item = static fn (string ...$names): string => "<o xmlns:cac='{$cac}' xmlns:cbc='{$cbc}'><cac:Item>"
            .implode('', array_map(static fn (string $name): string => "<{$name}>x</{$name}>", $names))
            .'</cac:Item></o>';
        self::assertSame([1, []], UblSchema::parts($item('cbc:Name', 'cac:SellersItemIdentification')));
        self::assertCount(1, UblSchema::parts($item('cac:SellersItemIdentification', 'cbc:Name'))[1]);
        self::assertCount(1, UblSchema::parts($item('cbc:Name', 'cbc:Colour'))[1]);
    }

    public function test_what_we_order_answer_and_announce(): void
    {
        $this->as('301');
        $purchase = $this->bought('10 LH-1140 2.00', '5 LH-1141 2.50')->load(['supplier', 'location', 'lines.item']);
        self::assertRight(app(PurchasePaper::class)->ubl($purchase), 8);

        $this->customer = $this->account('1000.00', 'Weir Masonry');
        $this->customer->update(['street' => '12 Weir Lane', 'town' => 'Ashby Weir', 'phone' => '555 0134']);
        $sender = Sender::query()->create([
            'code' => 'SHOP', 'name' => 'Web shop', 'way' => 'parcel', 'active' => true, 'token_hash' => null,
            'token_end' => '', 'customer_id' => null,
            'location_id' => DB::table('locations')->where('code', 'HF')->value('id'),
            'staff_id' => DB::table('staff')->where('number', '301')->value('id'),
        ])->load(['location', 'staff']);
        $xml = app(ComposeOrder::class)->of('W-1', $this->customer->load('type.priceLevel'), [
            [$this->item('LH-1140'), Quantity::of('2')], [$this->item('LH-1141'), Quantity::of('3')],
        ], true);
        self::assertRight($xml, 9);
        $web = app(ReceiveWebOrder::class)->handle($sender, $xml, 'address');
        self::assertRight(app(WriteResponse::class)->of($web), 9);
        $order = $this->theOrder((int) $web->agreement_id);
        $this->supplies($order, [1 => '1', 2 => '3'])->assertSessionHasNoErrors();
        $document = Document::query()->where('supplies', $order->label)->firstOrFail();
        self::assertRight(app(WriteDespatch::class)->of($web->refresh()->load('order'), $document), 6);
    }
}
