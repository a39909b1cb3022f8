<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Carbon\CarbonImmutable;
use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Tax\TaxTerms;

/** A document with everything but its number. */
final readonly class DocumentDraft
{
    /**
     * @param  list<DraftLine>  $lines
     * @param  list<DraftTender>  $tenders
     * @param  array<string, string>  $taxNames by component id
     * @param  string  $key idempotency key: the same key is never posted twice
     * @param  MoneyEntry|null  $entry what it moves, where it has no goods
     * @param  Purpose  $withLines what it is for, where it has goods or a fee
     * @param  list<DraftCoupon>  $coupons that took something off
     * @param  int|null  $refersTo the document it takes back or follows
     */
    public function __construct(
        public DocumentKind $kind,
        public int $locationId,
        public int $tillId,
        public int $staffId,
        public CarbonImmutable $businessDate,
        public CarbonImmutable $postedAt,
        public TaxTerms $terms,
        public ReckonedSlip $reckoned,
        public ?Reduction $slipDiscount,
        public array $lines,
        public array $taxNames,
        public array $tenders,
        public Money $cashRounding,
        public Money $change,
        public string $key,
        public Party $party = new Party,
        public string $note = '',
        public ?MoneyEntry $entry = null,
        public ?int $refersTo = null,
        public ?int $approvalId = null,
        public Purpose $withLines = Purpose::Sale,
        public array $coupons = [],
    ) {
    }

    public function purpose(): Purpose
    {
        return $this->entry->purpose ?? $this->withLines;
    }

    public function total(): Money
    {
        return $this->entry->total ?? $this->reckoned->total;
    }

    /** What tenders must come to, cash rounding not in it; below zero: money goes out. */
    public function tendered(): Money
    {
        return $this->entry?->tendered() ?? $this->reckoned->total;
    }

    /** What it does to the customer's balance: above zero, they owe more. */
    public function onAccount(): Money
    {
        if ($this->entry !== null) {
            return $this->entry->onAccount();
        }

        $charged = $this->by(TenderKind::HouseAccount);

        return $this->reckoned->total->isNegative() ? $charged->negated() : $charged;
    }

    /** What it does to the deposits held for the customer. */
    public function depositChange(): Money
    {
        return $this->held($this->entry?->deposit, TenderKind::DepositHeld);
    }

    /** What it does to the layaway money held for them. */
    public function layawayChange(): Money
    {
        return $this->held($this->entry?->layaway, TenderKind::LayawayMoney);
    }

    /** What it does to the gift cards owed. */
    public function giftCardChange(): Money
    {
        return $this->held($this->entry?->giftCards, TenderKind::GiftCard);
    }

    /** What it does to the store credit owed. */
    public function storeCreditChange(): Money
    {
        return $this->held($this->entry?->storeCredit, TenderKind::StoreCredit);
    }

    private function held(?Money $moved, TenderKind $kind): Money
    {
        $used = $this->by($kind);

        return ($moved ?? Money::zero($used->currency))->minus(
            $this->tendered()->isNegative() ? $used->negated() : $used,
        );
    }

    private function by(TenderKind $kind): Money
    {
        return Money::sum(
            array_map(
                static fn (DraftTender $tender): Money => $tender->tender->amount,
                array_filter($this->tenders, static fn (DraftTender $tender): bool => $tender->tender->kind === $kind),
            ),
            $this->cashRounding->currency,
        );
    }

    public function journal(): Journal
    {
        return $this->entry === null ? SaleJournal::of($this) : MoneyJournal::of($this, $this->entry);
    }
}
