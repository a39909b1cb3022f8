<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Ubl;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentLine;
use Elmstone\Orders\Order;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Elmstone\Support\UblXml;
use Elmstone\WebOrders\WebOrder;
use LogicException;

/**
 * What left for an order with one of its invoices, as a UBL 2.1 DespatchAdvice, and what of each line is still to come.
 */
final readonly class WriteDespatch
{
    public function __construct(private House $house)
    {
    }

    public function of(WebOrder $web, Document $document): string
    {
        $order = $web->order ?? throw new LogicException("{$web->number} is no order.");
        $order->loadMissing(['location', 'customer', 'allLines', 'progress']);
        $document->loadMissing('lines');
        $xml = UblXml::of('DespatchAdvice');
        $root = $xml->root;
        $xml->text($root, 'UBLVersionID', '2.1');
        $xml->text($root, 'ID', $document->label);
        $xml->text($root, 'IssueDate', $document->business_date->format('Y-m-d'));
        $reference = $xml->node($root, 'OrderReference');
        $xml->text($reference, 'ID', $web->number);
        $xml->text($reference, 'SalesOrderID', $order->label);
        $this->parties($xml, $order);
        $seen = [];

        foreach ($document->lines as $line) {
            $position = $line->item_id === null ? null : self::position($order, $line, $seen);

            if ($position !== null) {
                $seen[] = $position;
                $this->line($xml, $web, $order, $line, $position, count($seen));
            }
        }

        return $xml->written();
    }

    /**
     * Which line of the order it was: the goods at their price, in the order of the lines.
     *
     * @param  list<int>  $seen positions that this invoice has had
     */
    private static function position(Order $order, DocumentLine $line, array $seen): ?int
    {
        return $order->lines()->first(
            static fn (AgreedLine $agreed): bool => $agreed->item_id === $line->item_id
                && $agreed->unit_price->equals($line->unit_price)
                && ! in_array($agreed->position, $seen, true),
        )?->position;
    }

    private function line(
        UblXml $xml,
        WebOrder $web,
        Order $order,
        DocumentLine $line,
        int $position,
        int $at,
    ): void {
        $node = $xml->node($xml->root, 'DespatchLine');
        $xml->text($node, 'ID', (string) $at);
        $xml->quantity($node, 'DeliveredQuantity', Show::decimal($line->quantity), $line->unit);
        $xml->quantity(
            $node, 'OutstandingQuantity', Show::decimal($order->at($position)?->left() ?? '0'), $line->unit,
        );
        $xml->text(
            $xml->node($node, 'OrderLineReference'),
            'LineID',
            $web->line_ids[$position] ?? (string) $position,
        );
        $item = $xml->item($node, $line->description, $line->code);

        foreach ($line->serials ?? [] as $serial) {
            $xml->text($xml->node($item, 'ItemInstance'), 'SerialID', $serial);
        }
    }

    private function parties(UblXml $xml, Order $order): void
    {
        $location = $order->location;
        $customer = $order->customer;
        $xml->party(
            $xml->node($xml->root, 'DespatchSupplierParty'),
            '',
            $this->house->shop()->name,
            $location->street,
            $location->town,
        );
        $delivery = $xml->node($xml->root, 'DeliveryCustomerParty');
        $xml->text($delivery, 'SupplierAssignedAccountID', (string) $customer->number);
        $xml->party($delivery, '', $customer->name, $customer->street, $customer->town);

        if ($order->deliver_to !== '') {
            $shipment = $xml->node($xml->root, 'Shipment');
            $xml->text($shipment, 'ID', $order->label);
            $address = $xml->node($xml->node($shipment, 'Delivery'), 'DeliveryAddress');
            $xml->text($xml->node($address, 'AddressLine'), 'Line', $order->deliver_to);
        }
    }
}
