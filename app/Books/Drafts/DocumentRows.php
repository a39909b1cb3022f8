<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Ledger\Journal;

/** A draft as rows of the books. */
final readonly class DocumentRows
{
    /** The tables of what a document consists of, in the order they are written, and which part each holds. */
    public const TABLES = [
        'document_lines' => 'lines',
        'document_line_taxes' => 'lineTaxes',
        'document_taxes' => 'taxes',
        'document_tenders' => 'tenders',
        'document_coupons' => 'coupons',
        'document_consigned' => 'consigned',
        'document_held' => 'held',
        'journal_lines' => 'journalLines',
        'journal_entries' => 'journalEntry',
    ];

    public Journal $journal;

    public function __construct(private DocumentDraft $draft, public int $number, private ?int $session = null)
    {
        $this->journal = $draft->journal();
    }

    public function kind(): DocumentKind
    {
        return $this->draft->kind;
    }

    /** @return array<string, scalar|null> */
    public function document(): array
    {
        $draft = $this->draft;
        $sums = $draft->reckoned;

        return [
            'kind' => $draft->kind->value,
            'purpose' => $draft->purpose()->value,
            'number' => $this->number,
            'label' => $draft->kind->label($this->number),
            'location_id' => $draft->at->locationId,
            'till_id' => $draft->at->tillId,
            'session_id' => $this->session,
            'staff_id' => $draft->at->staffId,
            'seller_id' => $draft->at->sellerId,
            'business_date' => $draft->at->day->format('Y-m-d'),
            'posted_at' => $draft->at->moment->format('Y-m-d H:i:s.v'),
            'customer_id' => $draft->party->customerId,
            'currency' => $sums->total->currency->code,
            'tax_included' => (int) $draft->terms->taxIncluded,
            'tax_rounding' => $draft->terms->rounding->value,
            'customer_name' => $draft->party->name,
            'slip_discount_percent' => $draft->slipDiscount?->percent?->toString(),
            'slip_discount_amount' => $draft->slipDiscount?->amount?->minor,
            'subtotal' => $sums->subtotal->minor,
            'coupon_discount' => $sums->couponTotal()->minor,
            'slip_discount' => $sums->slipDiscount->minor,
            'net' => $sums->net->minor,
            'tax_total' => $sums->taxTotal->minor,
            'total' => $draft->total()->minor,
            'cash_rounding' => $draft->cashRounding->minor,
            'change_given' => $draft->change->minor,
            'note' => $draft->note,
            'idempotency_key' => $draft->key,
            'purchase_order' => $draft->party->purchaseOrder,
            'job' => $draft->party->job,
            'buyer' => $draft->party->buyer,
            'exemption' => $draft->party->exempted?->toJson(),
            'due_date' => $draft->party->due?->format('Y-m-d'),
            'terms' => $draft->party->terms,
            'own_terms' => mb_substr($draft->party->ownTerms, 0, 255),
            'on_account' => $draft->onAccount()->minor,
            'balance_before' => $draft->party->balanceBefore?->minor,
            'settlement_discount' => $draft->entry?->settlementDiscount->minor ?? 0,
            'fee' => $draft->entry?->fee->minor ?? 0,
            'refers_to_id' => $draft->refersTo,
            'approval_id' => $draft->approvalId,
            'supplies' => $draft->supplies,
        ];
    }

    /** @return list<array<string, scalar|null>> */
    public function lines(int $document): array
    {
        $rows = [];

        foreach ($this->draft->lines as $i => $line) {
            $figures = $line->reckoned;
            $rows[] = [
                'document_id' => $document,
                'position' => $i + 1,
                'direction' => $figures->line->direction->value,
                'item_id' => $line->itemId,
                'code' => $line->code,
                'description' => $line->description,
                'department_id' => $line->departmentId,
                'quantity' => $figures->line->quantity->toString(),
                'unit' => $line->unit,
                'unit_price' => $figures->line->unitPrice->toString(),
                'price_per' => $figures->line->pricePer,
                'price_rule' => $line->rule->value,
                'list_price' => $line->list->toString(),
                'discount_percent' => $figures->line->discount?->percent?->toString(),
                'discount_amount' => $figures->line->discount?->amount?->minor,
                'may_discount' => (int) $figures->line->mayDiscount,
                'tax_class' => $figures->line->taxClass,
                'gross' => $figures->gross->minor,
                'line_discount' => $figures->lineDiscount->minor,
                'coupon_discount' => $figures->coupons->minor,
                'slip_discount' => $figures->slipDiscount->minor,
                'net' => $figures->net->minor,
                'tax_total' => $figures->taxTotal->minor,
                'total' => $figures->total->minor,
                'cost' => $line->cost->minor,
                'note' => $line->note,
                'approval_id' => $line->approvalId,
                'serials' => $line->serials === []
                        ? null
                        : json_encode($line->serials, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'origin_document_id' => $line->origin?->documentId,
                'origin_position' => $line->origin?->position,
                'goods_to' => $line->goodsTo?->value,
                'reason' => $line->reason,
            ];
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> */
    public function consigned(int $document): array
    {
        $rows = [];

        foreach ($this->draft->lines as $i => $line) {
            $line->consigned === null || ($rows[] = [
                'document_id' => $document,
                'position' => $i + 1,
                'owner_id' => $line->consigned->ownerId,
                'percent' => $line->consigned->share->percent->toString(),
            ]);
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> */
    public function lineTaxes(int $document): array
    {
        $rows = [];

        foreach ($this->draft->lines as $i => $line) {
            foreach ($line->reckoned->tax as $component => $amount) {
                $rows[] = [
                    'document_id' => $document,
                    'position' => $i + 1,
                    'component' => (string) $component,
                    'amount' => $amount->minor,
                ];
            }
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> */
    public function taxes(int $document): array
    {
        $rows = [];

        foreach ($this->draft->reckoned->tax as $i => $tax) {
            $rows[] = [
                'document_id' => $document,
                'position' => $i + 1,
                'component' => $tax->component->id,
                'name' => $this->draft->taxNames[$tax->component->id] ?? $tax->component->id,
                'rate' => $tax->component->rate->toString(),
                'classes' => json_encode($tax->component->classes, JSON_THROW_ON_ERROR),
                'on_top_of' => json_encode($tax->component->onTopOf, JSON_THROW_ON_ERROR),
                'base' => $tax->base->minor,
                'amount' => $tax->amount->minor,
            ];
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> */
    public function coupons(int $document): array
    {
        $rows = [];

        foreach ($this->draft->coupons as $i => $coupon) {
            $value = $coupon->reckoned->coupon;
            $rows[] = [
                'document_id' => $document,
                'position' => $i + 1,
                'coupon_id' => $coupon->couponId,
                'code' => $value->id,
                'description' => $coupon->description,
                'percent' => $value->reduction->percent?->toString(),
                'amount' => $value->reduction->amount?->minor,
                'for_lines' => $coupon->forLines === null ? null : json_encode($coupon->forLines, JSON_THROW_ON_ERROR),
                'least_spend' => $value->leastSpend?->minor,
                'alone' => (int) $value->alone,
                'taken' => $coupon->reckoned->amount->minor,
            ];
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> what it does to money held, by kind */
    public function held(int $document): array
    {
        $rows = [];

        foreach (HeldKind::cases() as $kind) {
            $amount = $this->draft->held($kind);
            $amount->isZero()
                || ($rows[] = ['document_id' => $document, 'kind' => $kind->value, 'amount' => $amount->minor]);
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> */
    public function tenders(int $document): array
    {
        $rows = [];

        foreach ($this->draft->tenders as $i => $tender) {
            $rows[] = [
                'document_id' => $document,
                'position' => $i + 1,
                'kind' => $tender->tender->kind->value,
                'amount' => $tender->tender->amount->minor,
                'given' => $tender->given->minor,
                'reference' => $tender->reference,
                'card_type' => $tender->cardType,
                'last_four' => $tender->lastFour,
                'authorisation' => $tender->authorisation,
            ];
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> */
    public function journalLines(int $document): array
    {
        $rows = [];

        foreach ($this->journal->lines as $i => $line) {
            $rows[] = [
                'document_id' => $document,
                'position' => $i + 1,
                'account' => $line->account,
                'debit' => $line->debit->minor,
                'credit' => $line->credit->minor,
            ];
        }

        return $rows;
    }

    /** @return list<array<string, scalar|null>> the one that closes it */
    public function journalEntry(int $document): array
    {
        return [
            [
                'document_id' => $document,
                'business_date' => $this->draft->at->day->format('Y-m-d'),
                'debits' => $this->journal->debits->minor,
                'credits' => $this->journal->credits->minor,
            ],
        ];
    }
}
