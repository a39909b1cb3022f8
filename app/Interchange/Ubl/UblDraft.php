<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use Brick\Math\BigDecimal;
use DOMElement;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentLine;
use Elmstone\Core\Money\Money;
use Elmstone\Support\UblXml;

/** An invoice or a credit note while it is written: the document, its lines by the rates they bear, and the XML. */
final readonly class UblDraft
{
    private function __construct(public Document $document, public UblCategories $categories, public UblXml $xml)
    {
    }

    public static function of(Document $document): self
    {
        $document->loadMissing(['lines', 'taxes', 'tenders', 'location']);

        return new self($document, UblCategories::of($document), UblXml::of(self::named($document)));
    }

    public function isCredit(): bool
    {
        return $this->document->kind === DocumentKind::CreditNote;
    }

    /** What UBL calls it, and what the names of some of its elements begin with: "Invoice", "CreditNote". */
    public function name(): string
    {
        return self::named($this->document);
    }

    /** A figure of the document as it stands on it: of a credit note above zero, though it is kept below. */
    public function figure(Money $amount): Money
    {
        return $this->isCredit() ? $amount->negated() : $amount;
    }

    /** @return list<DocumentLine> without the fees that are kept back, which are allowances */
    public function lines(): array
    {
        return array_values(array_filter(
            $this->document->lines->all(),
            fn (DocumentLine $line): bool => ! UblCategories::isKeptBack($this->document, $line),
        ));
    }

    /** An allowance, the amount of it still to follow. UNCL 5189: 95 is a discount. */
    public function allowance(DOMElement $parent, string $reason): DOMElement
    {
        $allowance = $this->xml->node($parent, 'AllowanceCharge');
        $this->xml->text($allowance, 'ChargeIndicator', 'false');
        $this->xml->text($allowance, 'AllowanceChargeReasonCode', '95');
        $this->xml->text($allowance, 'AllowanceChargeReason', $reason);

        return $allowance;
    }

    /**
     * The category of tax of a line, an allowance or a sum.
     *
     * @param  string  $name  of the element: "TaxCategory", "ClassifiedTaxCategory"
     * @param  string  $reason  why it is exempt, where that is said
     */
    public function category(DOMElement $parent, string $name, UblCategory $category, string $reason = ''): void
    {
        $node = $this->xml->node($parent, $name);
        $this->xml->text($node, 'ID', $category->code);
        $this->xml->text($node, 'Percent', self::plain($category->percent));
        $this->xml->text($node, 'TaxExemptionReason', $reason);
        $this->xml->text($this->xml->node($node, 'TaxScheme'), 'ID', 'VAT');
    }

    /** A rate without the noughts that say nothing. */
    public static function plain(string $decimal): string
    {
        return (string) BigDecimal::of($decimal)->stripTrailingZeros();
    }

    private static function named(Document $document): string
    {
        return $document->kind === DocumentKind::CreditNote ? 'CreditNote' : 'Invoice';
    }
}
