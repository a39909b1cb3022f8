<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;

/**
 * Rows of takings as the invoice they become, with the shop’s own taxes. What was written with tax is taken to the
 * cent: what the tax rules make of it otherwise is a rounding. docs/rules.md, "Day’s takings".
 */
final readonly class TakingsDraft
{
    public ReckonedSlip $sums;

    /** @var list<Money> what was taken for each row, tax in it */
    public array $taken;

    /** @param  non-empty-list<SoldRow>  $rows of one day */
    public function __construct(public array $rows, private House $house, private Location $location)
    {
        $profile = $location->taxProfile->toValue($rows[0]->day);
        $terms = $house->taxTerms();
        $this->sums = Reckoner::reckon(Slip::of(
            $house->currency(),
            $terms,
            $profile,
            array_map(fn (SoldRow $row): SlipLine => SlipLine::of(
                "row {$row->line}",
                Direction::Out,
                $row->quantity,
                $this->price($row, $profile),
                $row->item->price_per ?? 1,
                $row->taxClass,
                null,
                false,
            ), $rows),
        ));
        $this->taken = array_map(
            fn (SoldRow $row, ReckonedLine $line): Money => $row->withTax ? $row->written($house->money(0))
                : $line->total,
            $rows,
            $this->sums->lines,
        );
    }

    /** As the shop has prices: with tax or without. */
    private function price(SoldRow $row, TaxProfile $profile): UnitPrice
    {
        $included = $this->house->taxTerms()->taxIncluded;

        if ($row->withTax === $included) {
            return $row->price;
        }

        $rate = BigRational::of(TaxProfile::total($profile->effectiveRates($row->taxClass)))->plus(100)->dividedBy(100);
        $price = BigRational::of(BigDecimal::of($row->price->toString()));

        return UnitPrice::of((string) ($included ? $price->multipliedBy($rate) : $price->dividedBy($rate))
            ->toScale(4, RoundingMode::HALF_UP));
    }

    public function total(): Money
    {
        return Money::sum($this->taken, $this->house->currency());
    }

    public function document(PostedAt $at, Party $party, string $key): DocumentDraft
    {
        return DocumentDraft::of(DocumentKind::Invoice, $at, $key, $this->house->taxTerms(), $this->sums)
            ->withLines(
                array_map($this->line(...), $this->rows, $this->sums->lines),
                $this->location->taxProfile->names(),
            )
            ->settledBy($this->tenders(), $this->total()->minus($this->sums->total))
            ->to($party)
            ->noting($this->note());
    }

    private function line(SoldRow $row, ReckonedLine $line): DraftLine
    {
        return new DraftLine(
            $line,
            $row->item?->id,
            $row->item->code ?? 'takings',
            $row->description,
            $row->departmentId,
            $row->item?->unit->value ?? 'each',
            PriceRule::Typed,
            $row->item->list_price ?? $line->line->unitPrice,
            $this->cost($row, $line),
            trim(implode(', ', array_filter([$row->who, $row->number], static fn (string $one): bool => $one !== ''))),
            consigned: $row->item?->consigned(),
        );
    }

    /** What it costs the house; of what belongs to somebody else, their share. */
    private function cost(SoldRow $row, ReckonedLine $line): Money
    {
        $consigned = $row->item?->consigned();

        return $consigned instanceof Consigned
            ? $consigned->share->of($this->house->taxTerms()->taxIncluded ? $line->net->minus($line->taxTotal)
                : $line->net)
            : $row->cost($this->house->money(0));
    }

    /** @return list<DraftTender> */
    private function tenders(): array
    {
        $sums = [];

        foreach ($this->rows as $place => $row) {
            $sums[$row->tender->value] ??= [$row->tender, $this->house->money(0)];
            $sums[$row->tender->value][1] = $sums[$row->tender->value][1]->plus($this->taken[$place]);
        }

        return array_map(
            fn (array $sum): DraftTender => new DraftTender(
                Tender::of($sum[0], $sum[1]),
                $sum[1],
                mb_substr($this->rows[0]->number === '' ? 'takings' : $this->rows[0]->number, 0, 60),
            ),
            array_values($sums),
        );
    }

    private function note(): string
    {
        $numbers = array_values(array_unique(array_filter(
            array_column($this->rows, 'number'),
            static fn (string $number): bool => $number !== '',
        )));

        return mb_substr(match (count($numbers)) {
            0 => 'Day’s takings',
            1 => "Day’s takings, {$numbers[0]}",
            default => "Day’s takings, {$numbers[0]} to {$numbers[count($numbers) - 1]}",
        }, 0, 255);
    }
}
