<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\StandIn;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\UblXml;

/** Writes an order as a web shop would, at our prices for whom it is, with the mistakes asked for. */
final readonly class ComposeOrder
{
    private const MANY = 5000;

    public function __construct(private House $house)
    {
    }

    /** @param  non-empty-list<array{Item, Quantity}>  $goods */
    public function of(
        string $number,
        Customer $customer,
        array $goods,
        bool $isBrought,
        WebShopMood $mood = WebShopMood::Right,
    ): string {
        $goods = $mood === WebShopMood::TooLong ? array_fill(0, self::MANY, $goods[0]) : $goods;
        $xml = UblXml::of('Order');
        $root = $xml->root;
        $code = $mood === WebShopMood::OtherCurrency ? 'XTS' : $this->house->currency()->code;
        $xml->text($root, 'UBLVersionID', '2.1');
        $xml->text($root, 'ID', $number);
        $xml->text($root, 'IssueDate', ShopTime::today()->format('Y-m-d'));
        $mood === WebShopMood::SameNumber && $xml->text($root, 'Note', 'Changed after it was sent');
        $xml->text($root, 'DocumentCurrencyCode', $code);
        $this->buyer($xml, $customer, $mood);
        $xml->party($xml->node($root, 'SellerSupplierParty'), '', $this->house->shop()->name, '', '');
        $this->delivery($xml, $customer, $isBrought, $mood);
        $amounts = [];
        $lines = [];

        foreach ($goods as [$item, $quantity]) {
            [$price, $amounts[]] = $this->price($item, $quantity, $customer, $mood);
            $lines[] = [$item, $quantity, $price];
        }

        $sum = Money::sum($amounts, $this->house->currency());
        $mood === WebShopMood::WrongSum && ($sum = $sum->plus($this->house->money(1)));
        $xml->money($xml->node($root, 'AnticipatedMonetaryTotal'), 'LineExtensionAmount', $sum);

        foreach ($lines as $at => [$item, $quantity, $price]) {
            $this->line($xml, $at + 1, $item, $quantity, $price, $amounts[$at], $mood);
        }

        $written = $xml->written();

        return $mood === WebShopMood::DocumentType
            ? str_replace("?>\n", "?>\n<!DOCTYPE Order [<!ENTITY e \"e\">]>\n", $written)
            : $written;
    }

    private function buyer(UblXml $xml, Customer $customer, WebShopMood $mood): void
    {
        $buyer = $xml->node($xml->root, 'BuyerCustomerParty');
        $number = $mood === WebShopMood::UnknownBuyer ? '999999999' : (string) $customer->number;
        $xml->text($buyer, 'SupplierAssignedAccountID', $number);
        $xml->party($buyer, '', $customer->name, $customer->street, $customer->town);
    }

    private function delivery(UblXml $xml, Customer $customer, bool $isBrought, WebShopMood $mood): void
    {
        if (! $isBrought && $mood !== WebShopMood::PastDay) {
            return;
        }

        $delivery = $xml->node($xml->root, 'Delivery');

        if ($isBrought) {
            $address = $xml->node($xml->node($delivery, 'DeliveryLocation'), 'Address');
            $xml->text($address, 'StreetName', $customer->street === '' ? '4 Cutting Lane' : $customer->street);
            $xml->text($address, 'CityName', $customer->town);
            $xml->text($address, 'PostalZone', $customer->postcode);
        }

        if ($mood === WebShopMood::PastDay) {
            $period = $xml->node($delivery, 'RequestedDeliveryPeriod');
            $xml->text($period, 'EndDate', ShopTime::today()->subDay()->format('Y-m-d'));
        }
    }

    /** @return array{UnitPrice, Money} what they ask for each, less any discount, and for all */
    private function price(Item $item, Quantity $quantity, Customer $customer, WebShopMood $mood): array
    {
        $quote = PriceBooks::of($item, $customer->priceTerms())->quote($quantity, ShopTime::today());
        $amount = $quote->price->worth($quantity, $item->price_per, $this->house->currency());
        $amount = $quote->discount === null ? $amount : $amount->minus($amount->percent($quote->discount));
        $amount = $mood === WebShopMood::OtherPrice ? $amount->minus($this->house->money(10))->orNothing() : $amount;

        return [UnitPrice::ofTotal($amount, $quantity, $item->price_per), $amount];
    }

    private function line(
        UblXml $xml,
        int $at,
        Item $item,
        Quantity $quantity,
        UnitPrice $price,
        Money $amount,
        WebShopMood $mood,
    ): void {
        $node = $xml->node($xml->node($xml->root, 'OrderLine'), 'LineItem');
        $xml->text($node, 'ID', (string) ($at * 10));
        $xml->quantity($node, 'Quantity', $quantity->toString(), $item->unit->value);
        $xml->money($node, 'LineExtensionAmount', $amount);
        $asked = $xml->node($node, 'Price');
        $xml->text($asked, 'PriceAmount', $price->toString(), ['currencyID' => $this->house->currency()->code]);
        $xml->quantity($asked, 'BaseQuantity', (string) $item->price_per, $item->unit->value);
        $isWrong = $mood === WebShopMood::UnknownCode && $at === 1;
        $xml->item($node, $item->description, $isWrong ? "{$item->code}-OLD" : $item->code);
    }
}
