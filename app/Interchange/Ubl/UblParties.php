<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use DOMElement;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;
use Elmstone\Support\UblXml;

/** Who sells and who buys, on an invoice in UBL. */
final readonly class UblParties
{
    public function __construct(private House $house)
    {
    }

    public function seller(UblDraft $draft, DOMElement $invoice): void
    {
        $shop = $this->house->shop();
        $location = $draft->document->location;
        $xml = $draft->xml;
        $party = $xml->node($xml->node($invoice, 'AccountingSupplierParty'), 'Party');
        $xml->text($xml->node($party, 'PartyName'), 'Name', $shop->name);
        $this->address($xml, $party, $location->street, $location->town, $shop->postcode, $shop->country);
        $this->taxNumber($xml, $party, $shop->tax_number);
        $legal = $xml->node($party, 'PartyLegalEntity');
        $xml->text($legal, 'RegistrationName', $shop->name);
        $xml->text($legal, 'CompanyID', $shop->tax_number === '' ? $location->code : $shop->tax_number);
    }

    public function buyer(UblDraft $draft, DOMElement $invoice): void
    {
        $document = $draft->document;
        $xml = $draft->xml;
        $customer = $document->customer_id === null ? null : Customer::query()->find($document->customer_id);
        $party = $xml->node($xml->node($invoice, 'AccountingCustomerParty'), 'Party');

        if ($customer !== null) {
            $xml->text($xml->node($party, 'PartyIdentification'), 'ID', (string) $customer->number);
        }

        $this->address(
            $xml,
            $party,
            $customer->street ?? '',
            $customer->town ?? '',
            $customer->postcode ?? '',
            $customer->country ?? $this->house->shop()->country,
        );
        $this->taxNumber($xml, $party, $customer->tax_number ?? '');
        $xml->text(
            $xml->node($party, 'PartyLegalEntity'),
            'RegistrationName',
            $document->customer_name === '' ? 'Walk-in customer' : $document->customer_name,
        );

        if ($document->buyer !== '') {
            $xml->text($xml->node($party, 'Contact'), 'Name', $document->buyer);
        }
    }

    private function address(
        UblXml $xml,
        DOMElement $party,
        string $street,
        string $town,
        string $postcode,
        string $country,
    ): void {
        $address = $xml->node($party, 'PostalAddress');
        $xml->text($address, 'StreetName', $street);
        $xml->text($address, 'CityName', $town);
        $xml->text($address, 'PostalZone', $postcode);
        $xml->text($xml->node($address, 'Country'), 'IdentificationCode', $country);
    }

    private function taxNumber(UblXml $xml, DOMElement $party, string $number): void
    {
        if ($number !== '') {
            $scheme = $xml->node($party, 'PartyTaxScheme');
            $xml->text($scheme, 'CompanyID', $number);
            $xml->text($xml->node($scheme, 'TaxScheme'), 'ID', 'TAX');
        }
    }
}
