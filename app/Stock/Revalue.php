<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Brick\Math\BigDecimal;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\Shop\House;
use Elmstone\Support\Database\ManyRows;

/**
 * What is on hand is worth something else than the books say, because its cost changed: a document puts the difference
 * to stock differences.
 */
final class Revalue
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly GoodsDraft $drafts,
    ) {
    }

    /**
     * Inside a transaction, the items and their stock everywhere locked.
     *
     * @param  list<int>  $items
     * @return int|null the document's id; null: nothing differs
     */
    public function handle(array $items, PostedAt $at, string $key, string $note, ?int $refersTo = null): ?int
    {
        [$lines, $moves] = [[], []];

        foreach (Item::query()->whereIn('id', $items)->orderBy('id')->get() as $item) {
            $worth = Worth::of([$item->id], $this->house->currency())[$item->id];
            $missing = $worth->missing($worth->onHand, $worth->cost, $worth->byBooks);

            if (! $missing->isZero()) {
                $lines[] = self::line($item, $missing);
                $moves[] = self::move($item->id, $at->locationId, $missing, $worth->cost);
            }
        }

        if ($lines === []) {
            return null;
        }

        $document = $this->books->document(
            $this->drafts->draft(Purpose::Revaluation, $lines, $at, $key, $note, $refersTo),
        );
        $this->stock->record(
            'revaluation',
            array_map(static fn (StockMove $move): array => [$move, $at->day, $document], $moves),
        );

        return $document;
    }

    public static function line(Item $item, Money $by): GoodsLine
    {
        return new GoodsLine(
            null,
            $item->code,
            mb_substr("Worth otherwise: {$item->description}", 0, 160),
            $item->department_id,
            Quantity::of('1'),
            $item->unit->value,
            $item->price_per,
            Direction::Back,
            GoodsTo::Stock,
            $by,
        );
    }

    public static function move(int $item, int $location, Money $by, UnitPrice $cost): StockMove
    {
        return new StockMove($item, $location, BigDecimal::zero(), $cost, $by);
    }

    /** @param  array<int, UnitPrice>  $costs by item, which are locked */
    public static function setCosts(array $costs): void
    {
        ksort($costs);

        ManyRows::set('items', ['id'], 'cost', array_map(
            static fn (int $item, UnitPrice $cost): array => [[$item], $cost->toString()],
            array_keys($costs),
            $costs,
        ));
    }
}
