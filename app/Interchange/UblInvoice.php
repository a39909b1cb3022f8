<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Brick\Math\BigDecimal;
use DOMDocument;
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
use LogicException;

/**
 * An invoice as UBL 2.1, by the rules of EN 16931-1 and its UBL binding (CEN/TS 16931-3-2).
 *
 * The standard knows one tax scheme; the components of the shop's tax are written as one rate for each tax class, as
 * they were charged. Figures are without tax; what a whole-slip discount took off stands as an allowance of the
 * document for each rate. What was paid at the counter is the amount paid already.
 */
final class UblInvoice
{
    private const CBC = 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2';

    private const CAC = 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2';

    /** UN/ECE Recommendation 20. */
    private const UNITS = ['each' => 'C62', 'hundred' => 'C62', 'metre' => 'MTR', 'box' => 'BX'];

    private DOMDocument $xml;

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
        $this->xml = new DOMDocument('1.0', 'UTF-8');
        $this->xml->formatOutput = true;
        $invoice = $this->xml->appendChild(
            $this->xml->createElementNS(
                "urn:oasis:names:specification:ubl:schema:xsd:{$this->name()}-2",
                $this->name(),
            ),
        );

        if (! ($invoice instanceof DOMElement)) {
            throw new LogicException('An invoice is an element.');
        }

        $invoice->setAttributeNS('http://www.w3.org/2000/xmlns/', 'xmlns:cac', self::CAC);
        $invoice->setAttributeNS('http://www.w3.org/2000/xmlns/', 'xmlns:cbc', self::CBC);
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

        return (string) $this->xml->saveXML();
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
        $this->text($invoice, 'CustomizationID', 'urn:cen.eu:en16931:2017');
        $this->text($invoice, 'ID', $document->label);
        $this->text($invoice, 'IssueDate', $document->business_date->format('Y-m-d'));

        if ($document->due_date !== null && ! $this->isCredit()) {
            $this->text($invoice, 'DueDate', $document->due_date->format('Y-m-d'));
        }

        $this->text($invoice, "{$this->name()}TypeCode", $this->isCredit() ? '381' : '380');
        foreach ($this->roundings() as $words) {
            $this->text($invoice, 'Note', $words);
        }

        $this->text($invoice, 'DocumentCurrencyCode', $document->currency);

        if ($document->purchase_order !== '') {
            $this->text($this->node($invoice, 'OrderReference'), 'ID', $document->purchase_order);
        }

        foreach ($this->isCredit() ? $this->originals() : [] as $original) {
            $reference = $this->node($this->node($invoice, 'BillingReference'), 'InvoiceDocumentReference');
            $this->text($reference, 'ID', $original->label);
            $this->text($reference, 'IssueDate', $original->business_date->format('Y-m-d'));
        }

        if ($document->job !== '' && ! $this->isCredit()) {
            $this->text($this->node($invoice, 'ProjectReference'), 'ID', $document->job);
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
        $party = $this->node($this->node($invoice, 'AccountingSupplierParty'), 'Party');
        $this->text($this->node($party, 'PartyName'), 'Name', $shop->name);
        $this->address(
            $party,
            $this->document->location->street,
            $this->document->location->town,
            $shop->postcode,
            $shop->country,
        );

        if ($shop->tax_number !== '') {
            $scheme = $this->node($party, 'PartyTaxScheme');
            $this->text($scheme, 'CompanyID', $shop->tax_number);
            $this->text($this->node($scheme, 'TaxScheme'), 'ID', 'TAX');
        }

        $legal = $this->node($party, 'PartyLegalEntity');
        $this->text($legal, 'RegistrationName', $shop->name);
        $this->text(
            $legal,
            'CompanyID',
            $shop->tax_number === '' ? $this->document->location->code : $shop->tax_number,
        );
    }

    private function buyer(DOMElement $invoice): void
    {
        $customer = $this->document->customer_id === null ? null
            : Customer::query()->find($this->document->customer_id);
        $party = $this->node($this->node($invoice, 'AccountingCustomerParty'), 'Party');

        if ($customer !== null) {
            $this->text($this->node($party, 'PartyIdentification'), 'ID', (string) $customer->number);
        }

        $this->address(
            $party,
            $customer->street ?? '',
            $customer->town ?? '',
            $customer->postcode ?? '',
            $customer->country ?? $this->house->shop()->country,
        );
        if (($customer->tax_number ?? '') !== '') {
            $scheme = $this->node($party, 'PartyTaxScheme');
            $this->text($scheme, 'CompanyID', $customer->tax_number ?? '');
            $this->text($this->node($scheme, 'TaxScheme'), 'ID', 'TAX');
        }

        $this->text(
            $this->node($party, 'PartyLegalEntity'),
            'RegistrationName',
            $this->document->customer_name === '' ? 'Walk-in customer' : $this->document->customer_name,
        );

        if ($this->document->buyer !== '') {
            $this->text($this->node($party, 'Contact'), 'Name', $this->document->buyer);
        }
    }

    private function address(DOMElement $party, string $street, string $town, string $postcode, string $country): void
    {
        $address = $this->node($party, 'PostalAddress');

        foreach (['StreetName' => $street, 'CityName' => $town, 'PostalZone' => $postcode] as $name => $text) {
            if ($text !== '') {
                $this->text($address, $name, $text);
            }
        }

        $this->text($this->node($address, 'Country'), 'IdentificationCode', $country);
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
        $means = $this->node($invoice, 'PaymentMeans');
        $this->text($means, 'PaymentMeansCode', $code);

        if ($code === '30') {
            $this->text($means, 'PaymentID', $this->document->label);
            $this->text($this->node($means, 'PayeeFinancialAccount'), 'ID', $account);
        }

        $this->text(
            $this->node($invoice, 'PaymentTerms'),
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
                $allowance = $this->node($invoice, 'AllowanceCharge');
                $this->text($allowance, 'ChargeIndicator', 'false');
                $this->text($allowance, 'AllowanceChargeReasonCode', '95');
                $this->text($allowance, 'AllowanceChargeReason', $this->isCredit() ? 'Restocking fee' : 'Discount');
                $this->money($allowance, 'Amount', $category->allowance);
                $this->category($allowance, 'TaxCategory', $category, false);
            }
        }
    }

    private function taxes(DOMElement $invoice): void
    {
        $total = $this->node($invoice, 'TaxTotal');
        $this->money($total, 'TaxAmount', $this->figure($this->document->tax_total));

        foreach ($this->categories->all as $category) {
            $subtotal = $this->node($total, 'TaxSubtotal');
            $this->money($subtotal, 'TaxableAmount', $category->taxable());
            $this->money($subtotal, 'TaxAmount', $category->tax);
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
        $sums = $this->node($invoice, 'LegalMonetaryTotal');
        $this->money($sums, 'LineExtensionAmount', $lines);
        $this->money($sums, 'TaxExclusiveAmount', $without);
        $this->money($sums, 'TaxInclusiveAmount', $with);

        foreach (
            [
                'AllowanceTotalAmount' => $allowances,
                'PrepaidAmount' => $paid,
                'PayableRoundingAmount' => $document->cash_rounding,
            ] as $name => $amount
        ) {
            if (! $amount->isZero()) {
                $this->money($sums, $name, $amount);
            }
        }

        $this->money($sums, 'PayableAmount', $with->minus($paid)->plus($document->cash_rounding));
    }

    private function line(DOMElement $invoice, DocumentLine $line): void
    {
        $node = $this->node($invoice, "{$this->name()}Line");
        $unit = self::UNITS[$line->unit] ?? 'C62';
        $this->text($node, 'ID', (string) $line->position);

        if ($line->note !== '') {
            $this->text($node, 'Note', $line->note);
        }

        $this->text($node, $this->isCredit() ? 'CreditedQuantity' : 'InvoicedQuantity', $line->quantity->toString(), [
            'unitCode' => $unit,
        ]);
        $amount = UblCategories::lineAmount($this->document, $line);
        $this->money($node, 'LineExtensionAmount', $amount);

        if (! $this->document->tax_included && $line->line_discount->isPositive()) {
            $allowance = $this->node($node, 'AllowanceCharge');
            $this->text($allowance, 'ChargeIndicator', 'false');
            $this->text($allowance, 'AllowanceChargeReasonCode', '95');
            $this->text($allowance, 'AllowanceChargeReason', 'Discount');
            $this->money($allowance, 'Amount', $line->line_discount);
            $this->money($allowance, 'BaseAmount', $line->gross);
        }

        $item = $this->node($node, 'Item');
        $this->text($item, 'Name', $line->description);
        $this->text($this->node($item, 'SellersItemIdentification'), 'ID', $line->code);
        $this->category($item, 'ClassifiedTaxCategory', $this->categories->ofLine($line), false);
        $this->price($this->node($node, 'Price'), $line, $amount, $unit);
    }

    /**
     * The price without tax; where prices have tax in them, and where goods come back, the line's amount for its whole
     * quantity, which is exact.
     */
    private function price(DOMElement $price, DocumentLine $line, Money $amount, string $unit): void
    {
        $included = $this->document->tax_included || $this->isCredit();
        $this->text($price, 'PriceAmount', $included ? $amount->toString() : $line->unit_price->toString(), [
            'currencyID' => $this->document->currency,
        ]);
        $this->text($price, 'BaseQuantity', $included ? $line->quantity->toString() : (string) $line->price_per, [
            'unitCode' => $unit,
        ]);
    }

    private function category(DOMElement $parent, string $name, UblCategory $category, bool $withReason): void
    {
        $node = $this->node($parent, $name);
        $this->text($node, 'ID', $category->code);
        $this->text($node, 'Percent', self::plain($category->percent));

        if ($withReason && $category->reason !== '') {
            $this->text($node, 'TaxExemptionReason', $category->reason);
        }

        $this->text($this->node($node, 'TaxScheme'), 'ID', 'VAT');
    }

    private static function plain(string $decimal): string
    {
        return (string) BigDecimal::of($decimal)->stripTrailingZeros();
    }

    private function money(DOMElement $parent, string $name, Money $money): void
    {
        $this->text($parent, $name, $money->toString(), ['currencyID' => $money->currency->code]);
    }

    private function node(DOMElement $parent, string $name): DOMElement
    {
        $node = $this->xml->createElementNS(self::CAC, "cac:{$name}");
        $parent->appendChild($node);

        return $node;
    }

    /** @param  array<string, string>  $attributes */
    private function text(DOMElement $parent, string $name, string $text, array $attributes = []): void
    {
        $node = $this->xml->createElementNS(self::CBC, "cbc:{$name}");
        $node->appendChild($this->xml->createTextNode($text));

        foreach ($attributes as $attribute => $value) {
            $node->setAttribute($attribute, $value);
        }

        $parent->appendChild($node);
    }
}
