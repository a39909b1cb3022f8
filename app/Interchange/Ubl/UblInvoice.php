<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use DOMElement;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentTax;

/**
 * An invoice as UBL 2.1, by the rules of EN 16931-1 and its UBL binding (CEN/TS 16931-3-2).
 *
 * The standard knows one tax scheme; the components of the shop's tax are written as one rate for each tax class, as
 * they were charged. Figures are without tax; what a whole-slip discount took off stands as an allowance of the
 * document for each rate. What was paid at the counter is the amount paid already.
 */
final readonly class UblInvoice
{
    public function __construct(
        private UblParties $parties,
        private UblPayment $payment,
        private UblTotals $totals,
        private UblLine $line,
    ) {
    }

    /** @return string the XML */
    public function of(Document $document): string
    {
        $draft = UblDraft::of($document);
        $invoice = $draft->xml->root;
        $this->head($draft, $invoice);
        $this->parties->seller($draft, $invoice);
        $this->parties->buyer($draft, $invoice);
        $this->payment->write($draft, $invoice);
        $this->totals->write($draft, $invoice);

        foreach ($draft->lines() as $line) {
            $this->line->write($draft, $invoice, $line);
        }

        return $draft->xml->written();
    }

    private function head(UblDraft $draft, DOMElement $invoice): void
    {
        $document = $draft->document;
        $xml = $draft->xml;
        $xml->text($invoice, 'CustomizationID', 'urn:cen.eu:en16931:2017');
        $xml->text($invoice, 'ID', $document->label);
        $xml->text($invoice, 'IssueDate', $document->business_date->format('Y-m-d'));
        $draft->isCredit() || $xml->text($invoice, 'DueDate', $document->due_date?->format('Y-m-d') ?? '');
        $xml->text($invoice, "{$draft->name()}TypeCode", $draft->isCredit() ? '381' : '380');

        foreach ($this->roundings($draft) as $words) {
            $xml->text($invoice, 'Note', $words);
        }

        $xml->text($invoice, 'DocumentCurrencyCode', $document->currency);

        if ($document->purchase_order !== '') {
            $xml->text($xml->node($invoice, 'OrderReference'), 'ID', $document->purchase_order);
        }

        if ($draft->isCredit()) {
            $this->originals($draft, $invoice);
        } elseif ($document->job !== '') {
            $xml->text($xml->node($invoice, 'ProjectReference'), 'ID', $document->job);
        }
    }

    /**
     * Where a category's tax is that of several components, each rounded for itself, it can be a cent beside the whole
     * rate's: then it is said of what it is made.
     *
     * @return list<string> one for each category that is
     */
    private function roundings(UblDraft $draft): array
    {
        $parts = $draft->document->taxes->map(static fn (DocumentTax $tax): string => sprintf(
            '%s %s %% of %s = %s',
            $tax->name,
            $tax->rate->toString(),
            $draft->figure($tax->base)->toString(),
            $draft->figure($tax->amount)->toString(),
        ))->implode(', ');
        $words = [];

        foreach ($draft->categories->all as $category) {
            if (! $category->isOfItsRate()) {
                $percent = UblDraft::plain($category->percent);
                $words[] = "Tax of {$category->code} {$percent} %: {$parts}. Each is rounded for itself.";
            }
        }

        return $words;
    }

    /** What was sold, and comes back. */
    private function originals(UblDraft $draft, DOMElement $invoice): void
    {
        $originals = Document::query()
            ->whereIn('id', $draft->document->lines->pluck('origin_document_id')->filter()->unique())
            ->orderBy('id')
            ->get();

        foreach ($originals as $original) {
            $reference = $draft->xml->node($draft->xml->node($invoice, 'BillingReference'), 'InvoiceDocumentReference');
            $draft->xml->text($reference, 'ID', $original->label);
            $draft->xml->text($reference, 'IssueDate', $original->business_date->format('Y-m-d'));
        }
    }
}
