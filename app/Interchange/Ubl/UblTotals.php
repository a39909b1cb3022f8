<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use DOMElement;
use Elmstone\Books\DocumentTender;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;

/** What comes off an invoice in UBL as a whole, its tax by rates, and what it comes to. */
final readonly class UblTotals
{
    public function write(UblDraft $draft, DOMElement $invoice): void
    {
        $this->allowances($draft, $invoice);
        $this->taxes($draft, $invoice);
        $this->sums($draft, $invoice);
    }

    private function allowances(UblDraft $draft, DOMElement $invoice): void
    {
        foreach ($draft->categories->all as $category) {
            if ($category->allowance->isPositive()) {
                $allowance = $draft->allowance($invoice, $draft->isCredit() ? 'Restocking fee' : 'Discount');
                $draft->xml->money($allowance, 'Amount', $category->allowance);
                $draft->category($allowance, 'TaxCategory', $category);
            }
        }
    }

    private function taxes(UblDraft $draft, DOMElement $invoice): void
    {
        $total = $draft->xml->node($invoice, 'TaxTotal');
        $draft->xml->money($total, 'TaxAmount', $draft->figure($draft->document->tax_total));

        foreach ($draft->categories->all as $category) {
            $subtotal = $draft->xml->node($total, 'TaxSubtotal');
            $draft->xml->money($subtotal, 'TaxableAmount', $category->taxable());
            $draft->xml->money($subtotal, 'TaxAmount', $category->tax);
            $draft->category($subtotal, 'TaxCategory', $category, $category->reason);
        }
    }

    private function sums(UblDraft $draft, DOMElement $invoice): void
    {
        $document = $draft->document;
        $lines = $this->sum($draft, static fn (UblCategory $category): Money => $category->lines);
        $allowances = $this->sum($draft, static fn (UblCategory $category): Money => $category->allowance);
        $without = $lines->minus($allowances);
        $with = $without->plus($draft->figure($document->tax_total));
        $paid = $this->paid($draft);
        $sums = $draft->xml->node($invoice, 'LegalMonetaryTotal');
        $draft->xml->money($sums, 'LineExtensionAmount', $lines);
        $draft->xml->money($sums, 'TaxExclusiveAmount', $without);
        $draft->xml->money($sums, 'TaxInclusiveAmount', $with);

        foreach (
            [
                'AllowanceTotalAmount' => $allowances,
                'PrepaidAmount' => $paid,
                'PayableRoundingAmount' => $document->cash_rounding,
            ] as $name => $amount
        ) {
            $amount->isZero() || $draft->xml->money($sums, $name, $amount);
        }

        $payable = $with->minus($paid)->plus($document->cash_rounding);
        $draft->xml->money($sums, 'PayableAmount', $payable);
    }

    /** @param  callable(UblCategory): Money  $figure */
    private function sum(UblDraft $draft, callable $figure): Money
    {
        return Money::sum(array_map($figure, $draft->categories->all), $draft->document->currency());
    }

    /** What was paid at the counter: all but what was charged to the account. */
    private function paid(UblDraft $draft): Money
    {
        $paid = $draft->document->tenders
            ->reject(static fn (DocumentTender $tender): bool => $tender->kind === TenderKind::HouseAccount)
            ->map(static fn (DocumentTender $tender): Money => $tender->amount);

        return Money::sum($paid->all(), $draft->document->currency());
    }
}
