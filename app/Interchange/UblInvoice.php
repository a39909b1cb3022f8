<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Brick\Math\BigDecimal;
use DOMElement;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\DocumentTax;
use Elmstone\Books\DocumentTender;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;
use Elmstone\Support\UblXml;

/**
 * An invoice as UBL 2.1, by the rules of EN 16931-1 and its UBL binding (CEN/TS 16931-3-2).
 *
 * The standard knows one tax scheme; the components of the shop's tax are written as one rate for each tax class, as
 * they were charged. Figures are without tax; what a whole-slip discount took off stands as an allowance of the
 * document for each rate. What was paid at the counter is the amount paid already.
 */
final class UblInvoice
{
    private UblXml $xml;

    private Document $document;

    private UblCategories $categories;

    public function __construct(private readonly House $house)
    {
    }

    public function of(Document $document): string
    {
        $document->loadMissing(['lines', 'taxes', 'tenders', 'location']);
        $this->document = $document;
        $this->categories = UblCategories::of($document);
        $this->xml = UblXml::of($this->name());
        $invoice = $this->xml->root;
        $this->head($invoice);
        $this->seller($invoice);
        $this->buyer($invoice);
        $this->payment($invoice);
        $this->allowances($invoice);
        $this->taxes($invoice);
        $this->totals($invoice);

        foreach (
            $document->lines->reject(
                static fn (DocumentLine $line): bool => UblCategories::isKeptBack($document, $line),
            ) as $line
        ) {
            $this->line($invoice, $line);
        }

        return $this->xml->written();
    }

    private function isCredit(): bool
    {
        return $this->document->kind === DocumentKind::CreditNote;
    }

    private function name(): string
    {
        return $this->isCredit() ? 'CreditNote' : 'Invoice';
    }

    /** A figure of the document as it stands on it: of a credit note above zero, though it is kept below. */
    private function figure(Money $amount): Money
    {
        return $this->isCredit() ? $amount->negated() : $amount;
    }

    private function head(DOMElement $invoice): void
    {
        $document = $this->document;
        $this->xml->text($invoice, 'CustomizationID', 'urn:cen.eu:en16931:2017');
        $this->xml->text($invoice, 'ID', $document->label);
        $this->xml->text($invoice, 'IssueDate', $document->business_date->format('Y-m-d'));

        if ($document->due_date !== null && ! $this->isCredit()) {
            $this->xml->text($invoice, 'DueDate', $document->due_date->format('Y-m-d'));
        }

        $this->xml->text($invoice, "{$this->name()}TypeCode", $this->isCredit() ? '381' : '380');
        foreach ($this->roundings() as $words) {
            $this->xml->text($invoice, 'Note', $words);
        }

        $this->xml->text($invoice, 'DocumentCurrencyCode', $document->currency);

        if ($document->purchase_order !== '') {
            $this->xml->text($this->xml->node($invoice, 'OrderReference'), 'ID', $document->purchase_order);
        }

        foreach ($this->isCredit() ? $this->originals() : [] as $original) {
            $reference = $this->xml->node($this->xml->node($invoice, 'BillingReference'), 'InvoiceDocumentReference');
            $this->xml->text($reference, 'ID', $original->label);
            $this->xml->text($reference, 'IssueDate', $original->business_date->format('Y-m-d'));
        }

        if ($document->job !== '' && ! $this->isCredit()) {
            $this->xml->text($this->xml->node($invoice, 'ProjectReference'), 'ID', $document->job);
        }
    }

    /**
     * Where a category's tax is that of several components, each rounded for itself, it can be a cent beside the whole
     * rate's: then it is said of what it is made.
     *
     * @return list<string> one for each category that is
     */
    private function roundings(): array
    {
        $words = [];

        foreach ($this->categories->all as $category) {
            if (! $category->isOfItsRate()) {
                $parts = implode(
                    ', ',
                    $this->document->taxes
                        ->map(
                            fn (DocumentTax $tax): string => "{$tax->name} "
                                .$tax->rate->toString()
                                ." % of {$this->figure($tax->base)->toString()} = {$this->figure(
                                    $tax->amount,
                                )->toString()}",
                        )
                        ->all(),
                );
                $words[] = "Tax of {$category->code} "
                    .self::plain($category->percent)
                    ." %: {$parts}. Each is rounded for itself.";
            }
        }

        return $words;
    }

    /** @return iterable<Document> what was sold, and comes back */
    private function originals(): iterable
    {
        return Document::query()
            ->whereIn('id', $this->document->lines->pluck('origin_document_id')->filter()->unique())
            ->orderBy('id')
            ->get();
    }

    private function seller(DOMElement $invoice): void
    {
        $shop = $this->house->shop();
        $party = $this->xml->node($this->xml->node($invoice, 'AccountingSupplierParty'), 'Party');
        $this->xml->text($this->xml->node($party, 'PartyName'), 'Name', $shop->name);
        $this->address(
            $party,
            $this->document->location->street,
            $this->document->location->town,
            $shop->postcode,
            $shop->country,
        );

        if ($shop->tax_number !== '') {
            $scheme = $this->xml->node($party, 'PartyTaxScheme');
            $this->xml->text($scheme, 'CompanyID', $shop->tax_number);
            $this->xml->text($this->xml->node($scheme, 'TaxScheme'), 'ID', 'TAX');
        }

        $legal = $this->xml->node($party, 'PartyLegalEntity');
        $this->xml->text($legal, 'RegistrationName', $shop->name);
        $this->xml->text(
            $legal,
            'CompanyID',
            $shop->tax_number === '' ? $this->document->location->code : $shop->tax_number,
        );
    }

    private function buyer(DOMElement $invoice): void
    {
        $customer = $this->document->customer_id === null ? null
            : Customer::query()->find($this->document->customer_id);
        $party = $this->xml->node($this->xml->node($invoice, 'AccountingCustomerParty'), 'Party');

        if ($customer !== null) {
            $this->xml->text($this->xml->node($party, 'PartyIdentification'), 'ID', (string) $customer->number);
        }

        $this->address(
            $party,
            $customer->street ?? '',
            $customer->town ?? '',
            $customer->postcode ?? '',
            $customer->country ?? $this->house->shop()->country,
        );
        if (($customer->tax_number ?? '') !== '') {
            $scheme = $this->xml->node($party, 'PartyTaxScheme');
            $this->xml->text($scheme, 'CompanyID', $customer->tax_number ?? '');
            $this->xml->text($this->xml->node($scheme, 'TaxScheme'), 'ID', 'TAX');
        }

        $this->xml->text(
            $this->xml->node($party, 'PartyLegalEntity'),
            'RegistrationName',
            $this->document->customer_name === '' ? 'Walk-in customer' : $this->document->customer_name,
        );

        if ($this->document->buyer !== '') {
            $this->xml->text($this->xml->node($party, 'Contact'), 'Name', $this->document->buyer);
        }
    }

    private function address(DOMElement $party, string $street, string $town, string $postcode, string $country): void
    {
        $address = $this->xml->node($party, 'PostalAddress');

        foreach (['StreetName' => $street, 'CityName' => $town, 'PostalZone' => $postcode] as $name => $text) {
            if ($text !== '') {
                $this->xml->text($address, $name, $text);
            }
        }

        $this->xml->text($this->xml->node($address, 'Country'), 'IdentificationCode', $country);
    }

    /**
     * UNCL 4461: 10 in cash, 20 cheque, 30 credit transfer, 48 bank card, 97 clearing between partners, 1 not defined.
     * What is still owed is to be transferred to the shop's account; what a credit note leaves on the customer's
     * account is cleared against what they owe.
     */
    private function payment(DOMElement $invoice): void
    {
        $account = $this->house->shop()->bank_account;
        $kinds = $this->document->tenders->pluck('kind');
        $kind = $kinds->contains(TenderKind::HouseAccount) ? TenderKind::HouseAccount : $kinds->first();
        $code = match ($kind) {
            TenderKind::Cash => '10',
            TenderKind::Cheque => '20',
            TenderKind::Card => '48',
            TenderKind::HouseAccount => $this->isCredit() ? '97' : ($account === '' ? '1' : '30'),
            TenderKind::BankTransfer => $this->isCredit() || $account === '' ? '1' : '30',
            default => '1',
        };
        $means = $this->xml->node($invoice, 'PaymentMeans');
        $this->xml->text($means, 'PaymentMeansCode', $code);

        if ($code === '30') {
            $this->xml->text($means, 'PaymentID', $this->document->label);
            $this->xml->text($this->xml->node($means, 'PayeeFinancialAccount'), 'ID', $account);
        }

        $this->xml->text(
            $this->xml->node($invoice, 'PaymentTerms'),
            'Note',
            $this->document->terms === ''
                ? ($this->isCredit()
                    ? 'settled at the counter'
                    : 'paid at the counter')
                : $this->document->terms,
        );
    }

    private function allowances(DOMElement $invoice): void
    {
        foreach ($this->categories->all as $category) {
            if ($category->allowance->isPositive()) {
                $allowance = $this->xml->node($invoice, 'AllowanceCharge');
                $this->xml->text($allowance, 'ChargeIndicator', 'false');
                $this->xml->text($allowance, 'AllowanceChargeReasonCode', '95');
                $this->xml->text(
                    $allowance, 'AllowanceChargeReason', $this->isCredit() ? 'Restocking fee' : 'Discount',
                );
                $this->xml->money($allowance, 'Amount', $category->allowance);
                $this->category($allowance, 'TaxCategory', $category, false);
            }
        }
    }

    private function taxes(DOMElement $invoice): void
    {
        $total = $this->xml->node($invoice, 'TaxTotal');
        $this->xml->money($total, 'TaxAmount', $this->figure($this->document->tax_total));

        foreach ($this->categories->all as $category) {
            $subtotal = $this->xml->node($total, 'TaxSubtotal');
            $this->xml->money($subtotal, 'TaxableAmount', $category->taxable());
            $this->xml->money($subtotal, 'TaxAmount', $category->tax);
            $this->category($subtotal, 'TaxCategory', $category, true);
        }
    }

    private function totals(DOMElement $invoice): void
    {
        $document = $this->document;
        $currency = $document->currency();
        $lines = Money::sum(
            array_map(static fn (UblCategory $category): Money => $category->lines, $this->categories->all),
            $currency,
        );
        $allowances = Money::sum(
            array_map(static fn (UblCategory $category): Money => $category->allowance, $this->categories->all),
            $currency,
        );
        $without = $lines->minus($allowances);
        $with = $without->plus($this->figure($document->tax_total));
        $paid = Money::sum(
            array_map(
                static fn (DocumentTender $tender): Money => $tender->amount,
                array_filter(
                    $document->tenders->all(),
                    static fn (DocumentTender $tender): bool => $tender->kind !== TenderKind::HouseAccount,
                ),
            ),
            $currency,
        );
        $sums = $this->xml->node($invoice, 'LegalMonetaryTotal');
        $this->xml->money($sums, 'LineExtensionAmount', $lines);
        $this->xml->money($sums, 'TaxExclusiveAmount', $without);
        $this->xml->money($sums, 'TaxInclusiveAmount', $with);

        foreach (
            [
                'AllowanceTotalAmount' => $allowances,
                'PrepaidAmount' => $paid,
                'PayableRoundingAmount' => $document->cash_rounding,
            ] as $name => $amount
        ) {
            if (! $amount->isZero()) {
                $this->xml->money($sums, $name, $amount);
            }
        }

        $this->xml->money($sums, 'PayableAmount', $with->minus($paid)->plus($document->cash_rounding));
    }

    private function line(DOMElement $invoice, DocumentLine $line): void
    {
        $node = $this->xml->node($invoice, "{$this->name()}Line");
        $unit = UblXml::UNITS[$line->unit] ?? 'C62';
        $this->xml->text($node, 'ID', (string) $line->position);

        if ($line->note !== '') {
            $this->xml->text($node, 'Note', $line->note);
        }

        $quantity = $this->isCredit() ? 'CreditedQuantity' : 'InvoicedQuantity';
        $this->xml->text($node, $quantity, $line->quantity->toString(), ['unitCode' => $unit]);
        $amount = UblCategories::lineAmount($this->document, $line);
        $this->xml->money($node, 'LineExtensionAmount', $amount);

        if (! $this->document->tax_included && $line->line_discount->isPositive()) {
            $allowance = $this->xml->node($node, 'AllowanceCharge');
            $this->xml->text($allowance, 'ChargeIndicator', 'false');
            $this->xml->text($allowance, 'AllowanceChargeReasonCode', '95');
            $this->xml->text($allowance, 'AllowanceChargeReason', 'Discount');
            $this->xml->money($allowance, 'Amount', $line->line_discount);
            $this->xml->money($allowance, 'BaseAmount', $line->gross);
        }

        $item = $this->xml->node($node, 'Item');
        $this->xml->text($item, 'Name', $line->description);
        $this->xml->text($this->xml->node($item, 'SellersItemIdentification'), 'ID', $line->code);
        $this->category($item, 'ClassifiedTaxCategory', $this->categories->ofLine($line), false);
        $this->price($this->xml->node($node, 'Price'), $line, $amount, $unit);
    }

    /**
     * The price without tax; where prices have tax in them, and where goods come back, the line's amount for its whole
     * quantity, which is exact.
     */
    private function price(DOMElement $price, DocumentLine $line, Money $amount, string $unit): void
    {
        $included = $this->document->tax_included || $this->isCredit();
        $this->xml->text($price, 'PriceAmount', $included ? $amount->toString() : $line->unit_price->toString(), [
            'currencyID' => $this->document->currency,
        ]);
        $this->xml->text($price, 'BaseQuantity', $included ? $line->quantity->toString() : (string) $line->price_per, [
            'unitCode' => $unit,
        ]);
    }

    private function category(DOMElement $parent, string $name, UblCategory $category, bool $withReason): void
    {
        $node = $this->xml->node($parent, $name);
        $this->xml->text($node, 'ID', $category->code);
        $this->xml->text($node, 'Percent', self::plain($category->percent));

        if ($withReason && $category->reason !== '') {
            $this->xml->text($node, 'TaxExemptionReason', $category->reason);
        }

        $this->xml->text($this->xml->node($node, 'TaxScheme'), 'ID', 'VAT');
    }

    private static function plain(string $decimal): string
    {
        return (string) BigDecimal::of($decimal)->stripTrailingZeros();
    }
}
