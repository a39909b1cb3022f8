<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledPart;
use Elmstone\Counter\Settle\SlipCoupons;
use Ramsey\Uuid\Uuid;

/** A reckoned and fully settled slip as the invoice it becomes, and what it moves out of stock. */
final readonly class SaleDraft
{
    public function __construct(
        private ReckonedCounter $reckoned,
        private Party $party = new Party,
    ) {
    }

    /** @param  PostedAt  $at the slip's own location and day */
    public function document(SettledPart $tenders, PostedAt $at): DocumentDraft
    {
        $slip = $this->reckoned->slip;
        $key = Uuid::uuid5(Uuid::fromString($slip->key), 'sale')->toString();

        return DocumentDraft::of(
            DocumentKind::Invoice, $at, $key, $this->reckoned->terms, $this->reckoned->sums,
        )
            ->withLines(
                [
                    ...array_values($slip->lines->map($this->line(...))->all()),
                    ...$this->reckoned->surcharges->drafts($this->reckoned->surchargeLines()),
                ],
                $slip->taxPlace()->names(),
                $slip->discount(),
            )
            ->settledBy($tenders->tenders, $tenders->cashRounding, $tenders->change)
            ->to($this->party)
            ->approvedBy($this->reckoned->needs->approvalAt('charge')?->id)
            ->withCoupons(SlipCoupons::drafts($this->reckoned));
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
                    $line->quantity->value->negated(),
                    $line->costNow() ?? UnitPrice::of('0'),
                    $this->reckoned->figures()->worthOf($line)->negated(),
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
            $line->list_price,
            $this->reckoned->figures()->costOf($line),
            $line->note,
            $this->reckoned->needs->approvalAt("line.{$line->id}")?->id,
            $line->serials ?? [],
            sharing: $line->sharing_id,
            consigned: $line->consigned(),
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
