<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentCoupon;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\DocumentTax;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftCoupon;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\HeldKind;
use Elmstone\Books\JournalRow;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Core\Orders\SupplyInvoice;
use Elmstone\Core\Returns\CreditNote;
use Elmstone\Core\Returns\OriginalLine;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Slip\Coupon;
use Elmstone\Core\Slip\ReckonedCoupon;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxTerms;
use LogicException;

/**
 * A posted document, reckoned afresh from nothing but what was typed: quantities, prices, discounts, tax rates and
 * tenders.
 */
final readonly class StoredDocument
{
    private Currency $currency;

    private TaxTerms $terms;

    /** @param  Origins|null  $origins of what comes back, where they are read already */
    public function __construct(private Document $document, private ?Origins $origins = null)
    {
        $this->currency = Currency::of($document->currency);
        $rounding = TaxRounding::from($document->tax_rounding);
        $this->terms = $document->tax_included
            ? TaxTerms::pricesWithTax($rounding)
            : TaxTerms::pricesWithoutTax($rounding);
    }

    /** The draft it must have been posted from. */
    public function redrafted(): DocumentDraft
    {
        $document = $this->document;
        $discount = Reduction::stored($document->slip_discount_percent, $document->slip_discount_amount);
        $reckoned = $this->reckoned($discount);
        $lines = [];

        foreach ($document->lines->values() as $i => $line) {
            $lines[] = new DraftLine(
                $reckoned->lines[$i],
                $line->item_id,
                $line->code,
                $line->description,
                $line->department_id,
                $line->unit,
                $line->price_rule,
                $line->list_price,
                $line->cost,
                $line->note,
                $line->approval_id,
                $line->serials ?? [],
                $line->origin(),
                $line->goods_to,
                $line->reason,
                consigned: $document->consigned->firstWhere('position', $line->position)?->toValue(),
            );
        }

        $taxNames = array_map(
            static fn (mixed $name): string => is_string($name) ? $name : '',
            $document->taxes->pluck('name', 'component')->all(),
        );
        $draft = DocumentDraft::of(
            $document->kind, PostedAt::stored($document), $document->idempotency_key, $this->terms, $reckoned,
        )
            ->withLines($lines, $taxNames, $discount)
            ->settledBy(
                array_values($document->tenders->map($this->tender(...))->all()),
                $document->cash_rounding,
                $document->change_given,
            )
            ->to($this->party())
            ->noting($document->note)
            ->referringTo($document->refers_to_id)
            ->approvedBy($document->approval_id)
            ->withCoupons($this->coupons($reckoned))
            ->supplying($document->supplies);

        return match (true) {
            $document->purpose->hasLines() => $draft->for($document->purpose),
            in_array($document->purpose, Purpose::saidThemselves(), true) => $draft->posting(
                $this->entry(),
                array_values($document->journal->map(
                    static fn (JournalRow $row): array => [$row->account, $row->debit->minus($row->credit)],
                )->all()),
            ),
            default => $draft->moving($this->entry()),
        };
    }

    /**
     * What was moved is what was held more or less afterwards, and what was used of it as a tender, or got back by one.
     */
    private function entry(): MoneyEntry
    {
        $document = $this->document;
        $isOut = $document->purpose->paysOut();
        $held = [];

        foreach (HeldKind::cases() as $kind) {
            $used = $document->paidBy($kind->tender());
            $held[$kind->value] = $document->held($kind)->plus($isOut ? $used->negated() : $used);
        }

        return MoneyEntry::stored(
            $document->purpose,
            $document->total,
            $document->settlement_discount,
            $document->fee,
            $held,
        );
    }

    private function party(): Party
    {
        $document = $this->document;

        return new Party(
            $document->customer_id,
            $document->customer_name,
            $document->purchase_order,
            $document->job,
            $document->buyer,
            Exempted::fromJson($document->exemption),
            $document->due_date,
            $document->terms,
            $document->balance_before,
            $document->own_terms,
        );
    }

    private function reckoned(?Reduction $discount): ReckonedSlip
    {
        $components = $this->document->taxes->map(
            static fn (DocumentTax $tax): TaxComponent => new TaxComponent(
                $tax->component,
                $tax->rate,
                $tax->classes,
                $tax->on_top_of,
            ),
        );
        $exempted = Exempted::fromJson($this->document->exemption);

        // Of a component that stands here at two rates, the later is the one of the day.
        $profile = $exempted?->taxProfile() ?? TaxProfile::of(...array_values($components->keyBy('id')->all()));
        $slip = Slip::of(
            $this->currency,
            $this->terms,
            $profile,
            array_values(
                $this->document->lines
                    ->map(static fn (DocumentLine $line): SlipLine => $line->toValue())
                    ->all(),
            ),
            $discount,
            $exempted?->exemption(),
            $this->couponValues(),
        );

        return match (true) {
            $this->document->kind === DocumentKind::CreditNote => $this->creditNote($slip),
            $this->document->supplies !== '' => SupplyInvoice::reckon($slip, $this->figures()),
            default => Reckoner::reckon($slip),
        };
    }

    /**
     * Of what is supplied of an order, the shares of what was agreed, as they stand; that they are right is proved with
     * the order.
     *
     * @return list<LineFigures>
     */
    private function figures(): array
    {
        return array_values(
            $this->document->lines
                ->map(static fn (DocumentLine $line): LineFigures => new LineFigures(
                    $line->quantity->value, $line->gross, $line->line_discount, $line->slip_discount,
                ))
                ->all(),
        );
    }

    /** Lines that came back are worked out from their originals again, and from what came back before them. */
    private function creditNote(Slip $slip): ReckonedSlip
    {
        $origins = $this->origins
            ?? Origins::of($this->currency, $this->document->lines->pluck('origin_document_id')->filter()->all());
        $lines = $this->document->lines->map(function (DocumentLine $line) use ($origins): OriginalLine|SlipLine {
            $origin = $line->origin();

            if ($origin === null) {
                return $line->toValue();
            }

            $before = $origins->returnable($origin, new Origin($line->document_id, $line->position));
            $taken = $line->goods_to === GoodsTo::None
                    ? $before->giving(
                        $this->terms->taxIncluded ? $line->net : $line->total,
                        $this->terms->taxIncluded,
                    )
                    : $before->returning($line->quantity);

            return $origins->original($origin, $line->toValue(), $taken);
        });

        return CreditNote::reckon($this->currency, $this->terms, array_values($lines->all()), $slip);
    }

    /** @return list<Coupon> */
    private function couponValues(): array
    {
        return array_values(
            $this->document->coupons
                ->map(
                    static fn (DocumentCoupon $coupon): Coupon => new Coupon(
                        $coupon->code,
                        Reduction::stored($coupon->percent, $coupon->amount)
                            ?? throw new LogicException("{$coupon->code} takes nothing off."),
                        $coupon->for_lines === null ? null : array_map(strval(...), $coupon->for_lines),
                        $coupon->least_spend,
                        $coupon->alone,
                    ),
                )
                ->all(),
        );
    }

    /** @return list<DraftCoupon> */
    private function coupons(ReckonedSlip $reckoned): array
    {
        return array_map(
            static fn (ReckonedCoupon $coupon, DocumentCoupon $stored): DraftCoupon => new DraftCoupon(
                $coupon,
                $stored->coupon_id,
                $stored->description,
                $stored->for_lines,
            ),
            $reckoned->coupons,
            array_values($this->document->coupons->all()),
        );
    }

    private function tender(DocumentTender $tender): DraftTender
    {
        return new DraftTender(
            Tender::of($tender->kind, $tender->amount),
            $tender->given,
            $tender->reference,
            $tender->card_type,
            $tender->last_four,
            $tender->authorisation,
        );
    }
}
