<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Books\DocumentDraft;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DraftLine;
use Elmstone\Books\Party;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Ramsey\Uuid\Uuid;

/** A reckoned and fully settled slip as the invoice it becomes, and what it moves out of stock. */
final readonly class SaleDraft
{
    public function __construct(
        private ReckonedCounter $reckoned,
        private House $house,
        private Party $party = new Party,
    ) {
    }

    public function document(SettledPart $tenders, int $tillId, int $staffId, CarbonImmutable $postedAt): DocumentDraft
    {
        $slip = $this->reckoned->slip;

        return new DocumentDraft(
            DocumentKind::Invoice,
            $slip->location_id,
            $tillId,
            $staffId,
            $slip->business_date ?? ShopTime::dayOf($postedAt),
            $postedAt,
            $this->reckoned->terms,
            $this->reckoned->sums,
            $slip->discount($this->house->currency()),
            array_values($slip->lines->map($this->line(...))->all()),
            $slip->location->taxProfile->components->pluck('name', 'code')->all(),
            $tenders->tenders,
            $tenders->cashRounding,
            $tenders->change,
            Uuid::uuid5(Uuid::fromString($slip->key), 'sale')->toString(),
            $this->party,
            approvalId: $this->reckoned->needs->approvalAt('charge')?->id,
            coupons: $this->reckoned->draftCoupons(),
        );
    }

    /** @return list<StockMove> */
    public function moves(): array
    {
        $moves = [];

        foreach ($this->reckoned->slip->lines as $line) {
            if ($line->item_id !== null) {
                $moves[] = new StockMove(
                    $line->item_id,
                    $this->reckoned->slip->location_id,
                    BigDecimal::of($line->quantity)->negated(),
                    UnitPrice::of($line->costNow() ?? '0'),
                    -$this->reckoned->costOf($line)->minor,
                );
            }
        }

        return $moves;
    }

    private function line(LineOnSlip $line): DraftLine
    {
        return new DraftLine(
            $this->reckoned->line($line),
            $line->item_id,
            $line->code,
            $line->description,
            $line->department_id,
            $line->unit,
            $line->price_rule,
            UnitPrice::of($line->list_price),
            $this->reckoned->costOf($line),
            $line->note,
            $this->reckoned->needs->approvalAt("line.{$line->id}")?->id,
            $line->serials ?? [],
        );
    }

    /** @return array<int, list<string>> serial numbers by item */
    public function serials(): array
    {
        $serials = [];

        foreach ($this->reckoned->slip->lines as $line) {
            if ($line->item_id !== null && $line->serials !== null) {
                $serials[$line->item_id] = [...$serials[$line->item_id] ?? [], ...$line->serials];
            }
        }

        return $serials;
    }
}
