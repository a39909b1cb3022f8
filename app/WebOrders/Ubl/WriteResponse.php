<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Ubl;

use DOMElement;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\AgreedSlip;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Elmstone\Support\UblXml;
use Elmstone\WebOrders\Problem;
use Elmstone\WebOrders\WebOrder;
use Elmstone\WebOrders\WebOrderState;

/**
 * What became of an order, as a UBL 2.1 OrderResponse: taken with the lines, prices and sum we agree to; refused with
 * the reason; or received and still to be decided.
 */
final readonly class WriteResponse
{
    public function __construct(private House $house)
    {
    }

    public function of(WebOrder $web): string
    {
        $web->loadMissing(['sender.location', 'order.allLines.item', 'order.customer', 'order.progress']);
        $xml = UblXml::of('OrderResponse');
        $root = $xml->root;
        $at = ShopTime::at($web->decided_at ?? $web->received_at);
        $xml->text($root, 'UBLVersionID', '2.1');
        $xml->text($root, 'ID', "{$web->sender->code}-{$web->id}-{$web->version}");
        $xml->text($root, 'SalesOrderID', (string) $web->order?->label);
        $xml->text($root, 'IssueDate', $at->format('Y-m-d'));
        $xml->text($root, 'IssueTime', $at->format('H:i:s'));
        $xml->text($root, 'OrderResponseCode', $web->state->responseCode(), ['listID' => 'UNCL4343']);
        $xml->text($root, 'Note', $this->note($web));
        $xml->text($root, 'DocumentCurrencyCode', $this->house->currency()->code);
        $xml->text($xml->node($root, 'OrderReference'), 'ID', $web->number);
        $this->parties($xml, $web);
        $web->order === null || $this->order($xml, $web);

        return $xml->written();
    }

    private function note(WebOrder $web): string
    {
        return match ($web->state) {
            WebOrderState::Refused => $web->refused_why,
            WebOrderState::Look => 'Somebody looks at: '.implode(' ', array_map(
                static fn (Problem $problem): string => $problem->words,
                array_slice($web->problemList(), 0, 20),
            )),
            default => '',
        };
    }

    private function parties(UblXml $xml, WebOrder $web): void
    {
        $location = $web->sender->location;
        $xml->party(
            $xml->node($xml->root, 'SellerSupplierParty'),
            '',
            $this->house->shop()->name,
            $location->street,
            $location->town,
        );
        $buyer = $xml->node($xml->root, 'BuyerCustomerParty');
        $customer = $web->order?->customer;
        $customer === null || $xml->text($buyer, 'SupplierAssignedAccountID', (string) $customer->number);
        $customer === null
            ? $xml->party($buyer, '', $web->sender->name, '', '')
            : $xml->party($buyer, '', $customer->name, $customer->street, $customer->town);
    }

    private function order(UblXml $xml, WebOrder $web): void
    {
        $order = $web->order;
        $lines = $order?->lines();

        if ($order === null || $lines === null) {
            return;
        }

        if ($order->wanted_on !== null) {
            $period = $xml->node($xml->node($xml->root, 'Delivery'), 'PromisedDeliveryPeriod');
            $xml->text($period, 'EndDate', $order->wanted_on->format('Y-m-d'));
        }

        $reckoned = AgreedSlip::reckon($order, $lines, $this->house->currency());

        foreach ($lines as $at => $line) {
            $line->isFreight() && $this->freight($xml, $line, $reckoned->lines[$at]->net);
        }

        $total = $xml->node($xml->root, 'LegalMonetaryTotal');
        $goods = $this->house->money(0);

        foreach ($lines as $at => $line) {
            $line->isFreight() || ($goods = $goods->plus($reckoned->lines[$at]->net));
        }

        $xml->money($total, 'LineExtensionAmount', $goods);
        $xml->money($total, 'PayableAmount', $reckoned->total);

        foreach ($lines as $at => $line) {
            $line->isFreight() || $this->line(
                $xml,
                $xml->node($xml->node($xml->root, 'OrderLine'), 'LineItem'),
                $line,
                $web->line_ids[$line->position] ?? (string) $line->position,
                $reckoned->lines[$at]->net,
            );
        }
    }

    private function freight(UblXml $xml, AgreedLine $line, Money $net): void
    {
        $charge = $xml->node($xml->root, 'AllowanceCharge');
        $xml->text($charge, 'ChargeIndicator', 'true');
        $xml->text($charge, 'AllowanceChargeReason', $line->description);
        $xml->money($charge, 'Amount', $net);
    }

    private function line(UblXml $xml, DOMElement $node, AgreedLine $line, string $id, Money $net): void
    {
        $xml->text($node, 'ID', $id);
        $xml->text($node, 'Note', $line->note);
        $xml->quantity($node, 'Quantity', Show::decimal($line->quantity), $line->unit);
        $xml->money($node, 'LineExtensionAmount', $net);
        $price = $xml->node($node, 'Price');
        $xml->text($price, 'PriceAmount', $line->unit_price->toString(), [
            'currencyID' => $this->house->currency()->code,
        ]);
        $xml->quantity($price, 'BaseQuantity', (string) $line->price_per, $line->unit);
        $xml->item($node, $line->description, $line->code, (string) $line->item?->barcode);
    }
}
