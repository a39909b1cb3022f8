<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Tax\TaxTerms;

/** A document with everything but its number. Built from what it is, where and by whom, then said on. */
final readonly class DocumentDraft
{
    /**
     * @param  list<DraftLine>  $lines
     * @param  array<string, string>  $taxNames by component id
     * @param  list<DraftTender>  $tenders
     * @param  list<DraftCoupon>  $coupons
     * @param  list<array{string, Money}>|null  $typed account and signed amount, of what is entered by hand
     */
    private function __construct(
        public DocumentKind $kind,
        public PostedAt $at,
        public string $key,
        public TaxTerms $terms,
        public ReckonedSlip $reckoned,
        public Money $cashRounding,
        public Money $change,
        public ?Reduction $slipDiscount = null,
        public array $lines = [],
        public array $taxNames = [],
        public array $tenders = [],
        public Party $party = new Party,
        public string $note = '',
        public ?MoneyEntry $entry = null,
        public ?int $refersTo = null,
        public ?int $approvalId = null,
        public Purpose $withLines = Purpose::Sale,
        public array $coupons = [],
        public string $supplies = '',
        public ?array $typed = null,
    ) {
    }

    /**
     * @param  string  $key idempotency key: the same key is never posted twice
     * @param  ReckonedSlip  $reckoned what its lines come to; of a document without goods, of no lines
     */
    public static function of(
        DocumentKind $kind,
        PostedAt $at,
        string $key,
        TaxTerms $terms,
        ReckonedSlip $reckoned,
    ): self {
        $zero = Money::zero($reckoned->total->currency);

        return new self($kind, $at, $key, $terms, $reckoned, $zero, $zero);
    }

    /**
     * What it has of goods or fees.
     *
     * @param  list<DraftLine>  $lines
     * @param  array<string, string>  $taxNames by component id
     * @param  Reduction|null  $discount off the slip, as it was typed
     */
    public function withLines(array $lines, array $taxNames = [], ?Reduction $discount = null): self
    {
        return $this->but(['lines' => $lines, 'taxNames' => $taxNames, 'slipDiscount' => $discount]);
    }

    /** What its lines are for, where they are no sale. */
    public function for(Purpose $purpose): self
    {
        return $this->but(['withLines' => $purpose]);
    }

    /** What it moves, where it has no goods. */
    public function moving(MoneyEntry $entry): self
    {
        return $this->but(['entry' => $entry]);
    }

    /**
     * What it does to the accounts, where somebody says it account by account.
     *
     * @param  list<array{string, Money}>  $postings account, and what is debited; below zero: credited
     */
    public function posting(MoneyEntry $entry, array $postings): self
    {
        return $this->but(['entry' => $entry, 'typed' => $postings]);
    }

    /** Whether goods are sold by it, or come back. */
    public function isSale(): bool
    {
        return $this->entry === null && in_array($this->withLines, [Purpose::Sale, Purpose::Void], true)
            && $this->lines !== [];
    }

    /** @param  list<DraftTender>  $tenders */
    public function settledBy(array $tenders, ?Money $rounding = null, ?Money $change = null): self
    {
        return $this->but([
            'tenders' => $tenders,
            'cashRounding' => $rounding ?? $this->cashRounding,
            'change' => $change ?? $this->change,
        ]);
    }

    public function to(Party $party): self
    {
        return $this->but(['party' => $party]);
    }

    public function noting(string $note): self
    {
        return $this->but(['note' => $note]);
    }

    /** The document it takes back or follows. */
    public function referringTo(?int $document): self
    {
        return $this->but(['refersTo' => $document]);
    }

    public function approvedBy(?int $approval): self
    {
        return $this->but(['approvalId' => $approval]);
    }

    /** @param  string  $order whose goods leave by it; empty: none's */
    public function supplying(string $order): self
    {
        return $this->but(['supplies' => $order]);
    }

    /** @param  list<DraftCoupon>  $coupons that took something off */
    public function withCoupons(array $coupons): self
    {
        return $this->but(['coupons' => $coupons]);
    }

    /** @param  array<string, mixed>  $changed */
    private function but(array $changed): self
    {
        return new self(...[...get_object_vars($this), ...$changed]);
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

    /** Whether anything goes over the counter: a transfer does not, nor a cheque that the bank sends back. */
    public function passesTheDrawer(): bool
    {
        return ! in_array($this->purpose(), [Purpose::ReturnedPayment, ...Purpose::ofTheBank()], true)
            && array_filter(
                $this->tenders,
                static fn (DraftTender $tender): bool => $tender->tender->kind !== TenderKind::BankTransfer,
            ) !== [];
    }

    /** Whether a cheque that came in goes back to who gave it. */
    public function handsChequesBack(): bool
    {
        return in_array($this->purpose(), Purpose::handingBack(), true)
            && ! $this->by(TenderKind::Cheque)->isZero();
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

    /** What it does to the money held of a kind: what it moves, less what is used of it as a tender. */
    public function held(HeldKind $kind): Money
    {
        $used = $this->by($kind->tender());

        return ($this->entry?->held($kind) ?? Money::zero($used->currency))->minus(
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
        return match (true) {
            $this->typed !== null => Journal::of($this->reckoned->total->currency, $this->typed),
            $this->entry === null => SaleJournal::of($this),
            default => MoneyJournal::of($this, $this->entry),
        };
    }
}
