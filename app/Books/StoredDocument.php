<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxTerms;

/** A posted document, reckoned afresh from nothing but what was typed: quantities, prices, discounts, tax rates and tenders. */
final readonly class StoredDocument
{
    private Currency $currency;

    private TaxTerms $terms;

    public function __construct(private Document $document)
    {
        $this->currency = Currency::of($document->currency);
        $rounding = TaxRounding::from($document->tax_rounding);
        $this->terms = $document->tax_included ? TaxTerms::pricesWithTax($rounding) : TaxTerms::pricesWithoutTax($rounding);
    }

    /** The draft it must have been posted from. */
    public function redrafted(): DocumentDraft
    {
        $document = $this->document;
        $discount = $this->reduction($document->slip_discount_percent, $document->slip_discount_amount);
        $reckoned = $this->reckoned($discount);
        $lines = [];

        foreach ($document->lines->values() as $i => $line) {
            $lines[] = new DraftLine(
                $reckoned->lines[$i], $line->item_id, $line->code, $line->description, $line->department_id, $line->unit,
                $line->price_rule, UnitPrice::of($line->list_price), $this->money($line->cost), $line->note, $line->approval_id, $line->serials ?? [],
            );
        }

        return new DocumentDraft(
            $document->kind,
            $document->location_id,
            $document->till_id,
            $document->staff_id,
            $document->business_date,
            $document->posted_at,
            $this->terms,
            $reckoned,
            $discount,
            $lines,
            array_map(static fn (mixed $name): string => is_string($name) ? $name : '', $document->taxes->pluck('name', 'component')->all()),
            array_values($document->tenders->map($this->tender(...))->all()),
            $this->money($document->cash_rounding),
            $this->money($document->change_given),
            $document->idempotency_key,
            $this->party(),
            $document->note,
            $document->purpose->hasLines() ? null : $this->entry(),
            $document->refers_to_id,
            $document->approval_id,
            $document->purpose->hasLines() ? $document->purpose : Purpose::Sale,
        );
    }

    /** What was moved is what was held more or less afterwards, and what was used of it as a tender. */
    private function entry(): MoneyEntry
    {
        $document = $this->document;
        $used = static fn (TenderKind $kind): int => (int) $document->tenders->where('kind', $kind)->sum('amount');

        return MoneyEntry::stored(
            $document->purpose,
            $this->money($document->total),
            $this->money($document->settlement_discount),
            $this->money($document->fee),
            $this->money($document->deposit_change + $used(TenderKind::DepositHeld)),
            $this->money($document->layaway_change + $used(TenderKind::LayawayMoney)),
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
            $document->balance_before === null ? null : $this->money($document->balance_before),
        );
    }

    private function reckoned(?Reduction $discount): ReckonedSlip
    {
        $components = $this->document->taxes->map(static fn (DocumentTax $tax): TaxComponent => new TaxComponent($tax->component, Percentage::of($tax->rate), $tax->classes, $tax->on_top_of));
        $lines = $this->document->lines->map(fn (DocumentLine $line): SlipLine => SlipLine::of(
            (string) $line->position,
            Direction::from($line->direction),
            Quantity::of($line->quantity),
            UnitPrice::of($line->unit_price),
            $line->price_per,
            $line->tax_class,
            $this->reduction($line->discount_percent, $line->discount_amount),
            $line->may_discount,
        ));

        $exempted = Exempted::fromJson($this->document->exemption);
        $profile = $exempted?->taxProfile() ?? TaxProfile::of(...$components->all());

        return Reckoner::reckon(Slip::of($this->currency, $this->terms, $profile, array_values($lines->all()), $discount, $exempted?->exemption()));
    }

    private function tender(DocumentTender $tender): DraftTender
    {
        return new DraftTender(Tender::of($tender->kind, $this->money($tender->amount)), $this->money($tender->given), $tender->reference, $tender->card_type, $tender->last_four, $tender->authorisation);
    }

    private function reduction(?string $percent, ?int $amount): ?Reduction
    {
        return match (true) {
            $percent !== null => Reduction::percent((string) BigDecimal::of($percent)->stripTrailingZeros()),
            $amount !== null => Reduction::amount($this->money($amount)),
            default => null,
        };
    }

    private function money(int $minor): Money
    {
        return Money::ofMinor($minor, $this->currency);
    }
}
