<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Books\Accounts;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Purpose;
use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\Direction;

/**
 * The journal of what has lines, a sale or what comes back: tenders are debited; sales per department, tax per
 * component and the cash rounding are credited; the goods leave inventory for cost of goods sold. docs/rules.md,
 * "Posting".
 */
final class SaleJournal
{
    public static function of(DocumentDraft $draft): Journal
    {
        $postings = [];
        $total = $draft->reckoned->total;
        $inflow = static fn (Money $amount): Money => $total->isNegative() ? $amount->negated() : $amount;

        foreach ($draft->tenders as $tender) {
            $kind = $tender->tender->kind;
            $postings[] = [
                Accounts::settling($draft->withLines, $kind, $total->isNegative()),
                $inflow($tender->tender->amount),
            ];
        }

        $postings[] = [Accounts::CASH_ROUNDING, $inflow($draft->cashRounding)->negated()];

        foreach ($draft->lines as $line) {
            $direction = $line->reckoned->line->direction;
            $sales = $draft->terms->taxIncluded
                ? $line->reckoned->net->minus($line->reckoned->taxTotal)
                : $line->reckoned->net;
            $postings[] = [self::income($line), $direction->signed($sales)->negated()];
            array_push($postings, ...self::goods($line, $direction, $draft->withLines));
        }

        foreach ($draft->reckoned->tax as $tax) {
            $postings[] = [Accounts::tax($tax->component->id), $tax->amount->negated()];
        }

        return Journal::of($total->currency, $postings);
    }

    private static function income(DraftLine $line): string
    {
        $account = Accounts::sales($line->departmentId, $line->code);

        return $account === Accounts::FEES && $line->reckoned->line->direction === Direction::Back
            ? Accounts::ALLOWANCES
            : $account;
    }

    /**
     * Goods that are sold leave inventory for cost of goods sold, those that are written off for what is written off;
     * what comes back goes the other way, to where the goods go. Goods that come in are debited to inventory; of what
     * only changes its worth, no item is named. Between two locations they are goods on their way.
     *
     * @return list<array{string, Money}>
     */
    private static function goods(DraftLine $line, Direction $direction, Purpose $purpose): array
    {
        $from = match ($purpose) {
            Purpose::WriteOffReversed => Accounts::WRITTEN_OFF,
            Purpose::GoodsIn => $line->itemId === null ? Accounts::STOCK_DIFFERENCES : Accounts::RECEIVED,
            Purpose::OpeningStock => $line->itemId === null ? Accounts::STOCK_DIFFERENCES : Accounts::OPENING,
            Purpose::GoodsArrived => $line->itemId === null ? Accounts::STOCK_DIFFERENCES : Accounts::GOODS_ON_WAY,
            Purpose::Revaluation => Accounts::STOCK_DIFFERENCES,
            default => null,
        };

        if ($from !== null) {
            return [[$from, $line->cost->negated()], [Accounts::INVENTORY, $line->cost]];
        }

        $leaves = match ($purpose) {
            Purpose::GoodsSent => [Accounts::INVENTORY, Accounts::GOODS_ON_WAY],
            Purpose::GoodsMissing => [Accounts::GOODS_ON_WAY, Accounts::STOCK_DIFFERENCES],
            default => null,
        };

        if ($leaves !== null) {
            return [[$leaves[0], $line->cost->negated()], [$leaves[1], $line->cost]];
        }

        $isOut = $direction === Direction::Out;
        $cost = $direction->signed($line->cost);

        // What belonged to somebody else was never inventory: its cost is owed to them.
        if ($line->consigned !== null) {
            return [[Accounts::COST_OF_GOODS, $cost], [Accounts::OWNERS, $cost->negated()]];
        }

        $place = $isOut ? Accounts::INVENTORY : ($line->goodsTo ?? GoodsTo::Stock)->account();

        return [
            [$isOut && $line->goodsTo !== null ? $line->goodsTo->account() : Accounts::COST_OF_GOODS, $cost],
            [$place, $cost->negated()],
        ];
    }
}
