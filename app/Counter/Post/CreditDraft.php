<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Parts\Back\ReckonedReturn;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\RefundWays;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shop\House;
use LogicException;
use Ramsey\Uuid\Uuid;

/** What comes back on a slip, as the credit note it becomes and as what it moves in stock. */
final readonly class CreditDraft
{
    private ReckonedReturn $back;

    private RefundWays $ways;

    public function __construct(private ReckonedCounter $reckoned, private House $house)
    {
        $this->back = $reckoned->back ?? throw new LogicException('Nothing comes back on this slip.');
        $this->ways = $reckoned->refund ?? throw new LogicException('Nothing goes back on this slip.');
    }

    /**
     * @param  list<DraftTender>  $tenders
     * @param  HouseAccount|null  $account null: nothing goes to one
     */
    public function document(array $tenders, PostedAt $at, ?HouseAccount $account): DocumentDraft
    {
        $slip = $this->reckoned->slip;
        $key = Uuid::uuid5(Uuid::fromString($slip->key), 'credit')->toString();
        $names = $slip->taxPlace()->names();

        return DocumentDraft::of(DocumentKind::CreditNote, $at, $key, $this->reckoned->terms, $this->back->sums)
            ->for($slip->void_of_id === null ? Purpose::Sale : Purpose::Void)
            ->withLines($this->lines(), [...$names, ...$this->back->origins->taxNames()])
            ->settledBy($tenders, $this->ways->cashRounding())
            ->to(SlipParty::of($slip, null, $account?->balance))
            ->referringTo(count($slip->originals) === 1 ? array_key_first($slip->originals) : null)
            ->approvedBy($this->reckoned->needs->approvalAt('refund')?->id);
    }

    /** @return list<DraftLine> */
    private function lines(): array
    {
        $drafts = array_values(
            $this->reckoned->slip->returns
                ->map(
                    fn (ReturnOnSlip $line): DraftLine => new DraftLine(
                        $this->back->line($line),
                        $line->item_id,
                        $line->code,
                        $line->description,
                        $line->department_id,
                        $line->unit,
                        $line->price_rule,
                        $line->list_price,
                        $this->back->costOf($line),
                        $line->note,
                        $this->reckoned->needs->approvalAt("back.{$line->id}")?->id,
                        $line->serials ?? [],
                        $line->origin(),
                        $line->goods_to,
                        $line->reason->value,
                        consigned: $this->back->consigned($line),
                    ),
                )
                ->all(),
        );
        array_push($drafts, ...$this->back->surcharges->drafts($this->back->surchargeLines()));
        $fee = $this->back->feeLine();

        if ($fee !== null) {
            $drafts[] = new DraftLine(
                $fee, null, 'FEE', 'Restocking fee', null, 'each', PriceRule::Typed,
                UnitPrice::of($this->back->fees->total->toString()),
                $this->house->money(0),
            );
        }

        return $drafts;
    }

    /** @return list<StockMove> what goes back to stock, at the cost it left with */
    public function moves(): array
    {
        $slip = $this->reckoned->slip;
        $moves = [];

        foreach ($slip->returns as $line) {
            if ($line->item_id !== null && $line->goods_to === GoodsTo::Stock) {
                $moves[] = new StockMove(
                    $line->item_id,
                    $slip->location_id,
                    $line->quantity->value,
                    self::unitCost($this->back->worthOf($line), $line),
                    $this->back->worthOf($line),
                );
            }
        }

        return $moves;
    }

    /** Per unit of its price, as stock keeps it. */
    private static function unitCost(Money $cost, ReturnOnSlip $line): UnitPrice
    {
        return UnitPrice::ofTotal($cost, $line->quantity, $line->price_per);
    }
}
