<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Brick\Math\RoundingMode;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Markdowns\EndMarkdowns;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Catalogue\MovingAverage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;

/**
 * Goods that come in, or are there when the shop begins: stock, average cost and journal by one document. Inventory is
 * debited with what they cost; the cost becomes the moving average; what then is missing to what is on hand at that
 * cost (rounding, or earlier sales that were costed otherwise) goes to stock differences. docs/rules.md, "Goods in".
 * The same key answers with the same document.
 */
final class BringIn
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly GoodsDraft $drafts,
        private readonly Serials $serials,
    ) {
    }

    /**
     * @param  list<Incoming>  $goods an item once
     * @param  Purpose  $purpose goods in, goods that arrived from another location, or opening stock
     * @return int the document's id
     *
     * @throws Refused nothing_chosen, nothing_comes, below_zero, day_closed
     */
    public function handle(array $goods, Purpose $purpose, PostedAt $at, string $key, string $note = ''): int
    {
        self::assertSound($goods);

        $moving = new GoodsMoving;
        array_walk($goods, static fn (Incoming $one) => $one->moving($moving, $at->locationId));

        return $this->books->post(
            Posting::under($key)
                ->locking(fn (): array => $this->stock->lock($moving))
                ->writing(function () use ($goods, $purpose, $at, $key, $note): int {
                    Location::query()->findOrFail($at->locationId)->assertOpenOn($at->day);

                    return $this->post($goods, $purpose, $at, $key, $note);
                }),
        );
    }

    /**
     * In a posting, the items and all their stock locked.
     *
     * @param  list<Incoming>  $goods an item once
     * @return int the document's id
     */
    public function post(array $goods, Purpose $purpose, PostedAt $at, string $key, string $note): int
    {
        $worth = Worth::of(
            array_map(static fn (Incoming $one): int => $one->item->id, $goods),
            $this->house->currency(),
        );
        [$lines, $apart, $moves, $corrections, $costs] = [[], [], [], [], []];

        foreach ($goods as $one) {
            self::assertOurs($one);
            $was = $worth[$one->item->id];
            $worthOf = $one->amount->major()->multipliedBy($one->item->price_per);
            $paid = UnitPrice::of((string) $worthOf->dividedBy($one->quantity->value, 4, RoundingMode::HALF_UP));
            $cost = MovingAverage::of($was->onHand, $was->cost, $one->quantity->value, $worthOf);
            $apartBy = $was->missing(
                $was->onHand->plus($one->quantity->value),
                $cost,
                $was->byBooks->plus($one->amount),
            );
            $lines[] = GoodsLine::of(
                $one->item, $one->quantity, Direction::Back, GoodsTo::Stock, $one->amount, $one->serials,
            );
            $moves[] = new StockMove(
                $one->item->id,
                $at->locationId,
                $one->quantity->value,
                $paid,
                $one->amount,
            );
            $costs[$one->item->id] = $cost;

            if (! $apartBy->isZero()) {
                $apart[] = Revalue::line($one->item, $apartBy);
                $corrections[] = Revalue::move($one->item->id, $at->locationId, $apartBy, $cost);
            }
        }

        $this->stock->take($moves);
        $document = $this->books->document($this->drafts->draft($purpose, [...$lines, ...$apart], $at, $key, $note));
        $dated = static fn (StockMove $move): array => [$move, $at->day, $document];
        $why = match ($purpose) {
            Purpose::OpeningStock => 'opening',
            Purpose::GoodsArrived => 'transfer_in',
            default => 'delivery',
        };
        $this->stock->record($why, array_map($dated, $moves));
        $this->stock->record('revaluation', array_map($dated, $corrections));
        Revalue::setCosts($costs);
        $purpose === Purpose::GoodsIn && EndMarkdowns::of(array_keys($costs), $at->staffId);

        foreach ($goods as $one) {
            $this->serials->comeBack($one->item->id, $one->item->description, $one->serials, toStock: true);
        }

        return $document;
    }

    /** @throws Refused consigned */
    private static function assertOurs(Incoming $one): void
    {
        $one->item->owner_id !== null && $one->amount->isPositive() && throw Refused::because(
            'consigned',
            "{$one->item->code} belongs to its owner until it is sold: it comes in at no cost.",
        );
    }

    /**
     * @param  list<Incoming>  $goods
     *
     * @throws Refused nothing_chosen, nothing_comes, below_zero
     */
    public static function assertSound(array $goods): void
    {
        $goods === [] && throw Refused::because('nothing_chosen', 'Type at least one item and how many came in.');

        foreach ($goods as $one) {
            match (true) {
                ! $one->quantity->value->isPositive() => throw Refused::because(
                    'nothing_comes',
                    "Type how many of {$one->item->code} came in.",
                ),
                $one->amount->isNegative() => throw Refused::because(
                    'below_zero',
                    "What {$one->item->code} cost cannot be below zero.",
                ),
                default => null,
            };
        }
    }
}
