<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use DOMElement;
use Elmstone\Books\DocumentLine;
use Elmstone\Core\Money\Money;

/** One line of an invoice in UBL: how many, what they come to without tax, what they are, their rate and price. */
final readonly class UblLine
{
    public function write(UblDraft $draft, DOMElement $invoice, DocumentLine $line): void
    {
        $xml = $draft->xml;
        $node = $xml->node($invoice, "{$draft->name()}Line");
        $xml->text($node, 'ID', (string) $line->position);
        $xml->text($node, 'Note', $line->note);
        $quantity = $draft->isCredit() ? 'CreditedQuantity' : 'InvoicedQuantity';
        $xml->quantity($node, $quantity, $line->quantity->toString(), $line->unit);
        $amount = UblCategories::lineAmount($draft->document, $line);
        $xml->money($node, 'LineExtensionAmount', $amount);

        if (! $draft->document->tax_included && $line->line_discount->isPositive()) {
            $allowance = $draft->allowance($node, 'Discount');
            $xml->money($allowance, 'Amount', $line->line_discount);
            $xml->money($allowance, 'BaseAmount', $line->gross);
        }

        $item = $xml->item($node, $line->description, $line->code);
        $draft->category($item, 'ClassifiedTaxCategory', $draft->categories->ofLine($line));
        $this->price($draft, $xml->node($node, 'Price'), $line, $amount);
    }

    /**
     * The price without tax; where prices have tax in them, and where goods come back, the line's amount for its whole
     * quantity, which is exact.
     */
    private function price(UblDraft $draft, DOMElement $price, DocumentLine $line, Money $amount): void
    {
        $isOfAll = $draft->document->tax_included || $draft->isCredit();
        $draft->xml->text($price, 'PriceAmount', $isOfAll ? $amount->toString() : $line->unit_price->toString(), [
            'currencyID' => $draft->document->currency,
        ]);
        $quantity = $isOfAll ? $line->quantity->toString() : (string) $line->price_per;
        $draft->xml->quantity($price, 'BaseQuantity', $quantity, $line->unit);
    }
}
