<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use DOMElement;
use Elmstone\Shop\House;
use Elmstone\Support\UblXml;

/** An order to a supplier as a UBL 2.1 Order. */
final readonly class UblPurchase
{
    public function __construct(private House $house)
    {
    }

    public function of(Purchase $purchase): string
    {
        $xml = UblXml::of('Order');
        $shop = $this->house->shop();
        $currency = $this->house->currency();
        $xml->text($xml->root, 'UBLVersionID', '2.1');
        $xml->text($xml->root, 'ID', $purchase->label);
        $xml->text($xml->root, 'IssueDate', ($purchase->sent_on ?? $purchase->made_on)->format('Y-m-d'));
        $xml->text($xml->root, 'Note', $purchase->note);
        $xml->text($xml->root, 'DocumentCurrencyCode', $currency->code);
        $buyer = $xml->node($xml->root, 'BuyerCustomerParty');
        $xml->text($buyer, 'SupplierAssignedAccountID', $purchase->supplier->our_number);
        $xml->party($buyer, '', $shop->name, $purchase->location->street, $purchase->location->town);
        $seller = $purchase->supplier;
        $xml->party(
            $xml->node($xml->root, 'SellerSupplierParty'),
            $seller->code,
            $seller->name,
            $seller->street,
            $seller->town,
        );

        if ($purchase->expected_on !== null) {
            $period = $xml->node($xml->node($xml->root, 'Delivery'), 'RequestedDeliveryPeriod');
            $xml->text($period, 'EndDate', $purchase->expected_on->format('Y-m-d'));
        }

        $total = $purchase->total($currency);
        $sums = $xml->node($xml->root, 'AnticipatedMonetaryTotal');
        $xml->money($sums, 'LineExtensionAmount', $total);
        $xml->money($sums, 'PayableAmount', $total);

        foreach ($purchase->lines as $line) {
            $this->line($xml, $xml->node($xml->node($xml->root, 'OrderLine'), 'LineItem'), $line);
        }

        return $xml->written();
    }

    private function line(UblXml $xml, DOMElement $node, PurchaseLine $line): void
    {
        $quantity = BigDecimal::of($line->quantity)->stripTrailingZeros();
        $currency = $this->house->currency();
        $xml->text($node, 'ID', (string) $line->position);
        $xml->quantity($node, 'Quantity', (string) $quantity, $line->item->unit->value);
        $xml->money($node, 'LineExtensionAmount', $line->worth($quantity, $currency));
        $price = $xml->node($node, 'Price');
        $xml->text($price, 'PriceAmount', $line->cost->toString(), ['currencyID' => $currency->code]);
        $xml->quantity($price, 'BaseQuantity', (string) $line->price_per, $line->item->unit->value);
        $item = $xml->node($node, 'Item');
        $xml->text($item, 'Name', $line->item->description);
        $xml->text($xml->node($item, 'BuyersItemIdentification'), 'ID', $line->item->code);
        $line->their_code === ''
            || $xml->text($xml->node($item, 'SellersItemIdentification'), 'ID', $line->their_code);
        $line->item->barcode === null || $xml->text(
            $xml->node($item, 'StandardItemIdentification'),
            'ID',
            $line->item->barcode,
            ['schemeID' => '0160'],
        );
    }
}
