<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Shop\House;

/** A document that moves goods or their worth at cost: goods in, opening stock, a write-off, a revaluation. */
final readonly class GoodsDraft
{
    /** The tax class of what is not taxed anywhere. */
    private const UNTAXED = 'none';

    public function __construct(private House $house)
    {
    }

    /** @param  list<GoodsLine>  $lines */
    public function draft(
        Purpose $purpose,
        array $lines,
        PostedAt $at,
        string $key,
        string $note,
        ?int $refersTo = null,
    ): DocumentDraft {
        $terms = $this->house->taxTerms();
        $values = [];

        foreach ($lines as $i => $line) {
            $values[] = SlipLine::of(
                (string) ($i + 1),
                $line->direction,
                $line->quantity,
                UnitPrice::of('0'),
                $line->pricePer,
                self::UNTAXED,
                null,
                false,
            );
        }

        $reckoned = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), $values));
        $drafts = array_map(
            static fn (GoodsLine $line, int $i): DraftLine => new DraftLine(
                $reckoned->lines[$i],
                $line->itemId,
                $line->code,
                $line->description,
                $line->departmentId,
                $line->unit,
                PriceRule::Typed,
                UnitPrice::of('0'),
                $line->cost,
                mb_substr($line->note, 0, 255),
                serials: $line->serials,
                origin: $line->origin,
                goodsTo: $line->to,
                reason: $line->reason,
            ),
            $lines,
            array_keys($lines),
        );

        $isGoodsIn = in_array($purpose, [Purpose::GoodsIn, Purpose::OpeningStock, Purpose::GoodsArrived], true);

        return DocumentDraft::of(
            $isGoodsIn ? DocumentKind::GoodsIn : DocumentKind::Adjustment, $at, $key, $terms, $reckoned,
        )
            ->for($purpose)
            ->withLines($drafts)
            ->noting(mb_substr($note, 0, 255))
            ->referringTo($refersTo);
    }
}
