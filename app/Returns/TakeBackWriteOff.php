<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\AverageCost;
use Elmstone\Stock\GoodsDraft;
use Elmstone\Stock\GoodsLine;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Takes a write-off back whole, by a document: the goods are in stock and in the books again, at the cost they left
 * with. Once: the document's key follows from it.
 */
final class TakeBackWriteOff
{
    public function __construct(
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly AverageCost $average,
        private readonly Serials $serials,
        private readonly GoodsDraft $drafts,
    ) {
    }

    /**
     * @return int the document's id
     *
     * @throws Refused not_a_write_off, reason_missing, day_closed, serial_here
     */
    public function handle(Document $writeOff, string $reason, Till $till, Staff $by): int
    {
        match (true) {
            $writeOff->purpose !== Purpose::WriteOff => throw Refused::because(
                'not_a_write_off',
                "{$writeOff->label} is not a write-off.",
            ),
            $reason === '' => throw Refused::because('reason_missing', 'Say why it is taken back: the reason is kept.'),
            default => null,
        };
        $key = Uuid::uuid5(Uuid::fromString($writeOff->idempotency_key), 'taken back')->toString();
        $writeOff->load('lines');

        $write = function () use ($writeOff, $reason, $key, $till, $by): int {
            $till->location->assertOpenOn(ShopTime::today());
            $moves = array_values(
                $writeOff->lines
                    ->whereNotNull('item_id')
                    ->map(
                        fn (DocumentLine $line): StockMove => new StockMove(
                            (int) $line->item_id,
                            $writeOff->location_id,
                            $line->quantity->value,
                            $this->unitCost($line),
                            $line->cost,
                        ),
                    )
                    ->all(),
            );
            $this->stock->take($moves);
            $at = PostedAt::till($till, $by->id)->of($writeOff->location_id);
            $document = $this->books->document($this->draft($writeOff, $reason, $key, $at));
            $this->stock->record(
                'write_off',
                array_map(static fn (StockMove $move): array => [$move, ShopTime::today(), $document], $moves),
            );
            $this->average->after($moves, $at, $key, $document);

            foreach ($writeOff->lines as $line) {
                $line->serials === null
                    || $line->item_id === null
                    || $this->serials->comeBack($line->item_id, $line->description, $line->serials, true);
            }

            return $document;
        };

        return $this->books->post(
            Posting::under($key)->locking(fn () => $this->lock($writeOff))->writing($write),
        );
    }

    private function lock(Document $writeOff): void
    {
        DB::table('documents')->where('id', $writeOff->id)->lockForUpdate()->value('id');
        $moving = new GoodsMoving;

        foreach ($writeOff->lines as $line) {
            $line->item_id === null
                || $moving->in($line->item_id, $writeOff->location_id)->pieces($line->item_id, $line->serials ?? []);
        }

        $this->stock->lock($moving);
    }

    private function draft(Document $writeOff, string $reason, string $key, PostedAt $at): DocumentDraft
    {
        $goods = $writeOff->lines->map(
            fn (DocumentLine $line): GoodsLine => new GoodsLine(
                $line->item_id,
                $line->code,
                $line->description,
                (int) $line->department_id,
                Quantity::of($line->quantity->toString()),
                $line->unit,
                $line->price_per,
                Direction::Back,
                GoodsTo::Stock,
                $line->cost,
                '',
                $line->serials ?? [],
                new Origin($writeOff->id, $line->position),
                $line->reason,
            ),
        );

        return $this->drafts->draft(
            Purpose::WriteOffReversed,
            array_values($goods->all()),
            $at,
            $key,
            $reason,
            $writeOff->id,
        );
    }

    private function unitCost(DocumentLine $line): UnitPrice
    {
        return UnitPrice::ofTotal($line->cost, $line->quantity, $line->price_per);
    }
}
