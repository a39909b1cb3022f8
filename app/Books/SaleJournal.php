<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Money;

/**
 * The journal of a sale: tenders are debited; sales per department, tax per component and the cash rounding are credited;
 * the goods leave inventory for cost of goods sold. docs/rules.md, "Posting".
 */
final class SaleJournal
{
    public static function of(DocumentDraft $draft): Journal
    {
        $postings = [];
        $total = $draft->reckoned->total;
        $inflow = static fn (Money $amount): Money => $total->isNegative() ? $amount->negated() : $amount;

        foreach ($draft->tenders as $tender) {
            $postings[] = [Accounts::tender($tender->tender->kind), $inflow($tender->tender->amount)];
        }

        $postings[] = [Accounts::CASH_ROUNDING, $inflow($draft->cashRounding)->negated()];

        foreach ($draft->lines as $line) {
            $direction = $line->reckoned->line->direction;
            $sales = $draft->terms->taxIncluded ? $line->reckoned->net->minus($line->reckoned->taxTotal) : $line->reckoned->net;
            $postings[] = [Accounts::sales($line->departmentId), $direction->signed($sales)->negated()];
            $postings[] = [Accounts::COST_OF_GOODS, $direction->signed($line->cost)];
            $postings[] = [Accounts::INVENTORY, $direction->signed($line->cost)->negated()];
        }

        foreach ($draft->reckoned->tax as $tax) {
            $postings[] = [Accounts::tax($tax->component->id), $tax->amount->negated()];
        }

        return Journal::of($total->currency, $postings);
    }
}
