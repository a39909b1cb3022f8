<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Brick\Math\BigDecimal;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\Stock;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Paper\HandOver;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Stock\GoodsDraft;
use Elmstone\Stock\GoodsLine;
use Elmstone\Stock\WriteOffLimit;
use Elmstone\Support\ShopTime;

/**
 * Takes broken, spoiled and stolen goods out of stock and out of the books, at cost. The same key answers with the same
 * document.
 */
final class WriteOff
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly Serials $serials,
        private readonly HandBack $back,
        private readonly Gate $gate,
        private readonly Limits $limits,
        private readonly WriteOffLimit $limit,
        private readonly GoodsDraft $drafts,
    ) {
    }

    /**
     * @param  list<WriteOffLine>  $lines
     * @return int the document's id
     *
     * @throws Refused nothing_chosen, serial_missing, serial_count, serial_out, day_closed, and what needs approval:
     *     more than there is by the books, what is set aside, beyond a limit
     */
    public function handle(
        array $lines,
        string $note,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given = null,
    ): int {
        if ($lines === []) {
            throw Refused::because('nothing_chosen', 'Type at least one item and how many.');
        }

        foreach ($lines as $line) {
            $line->item->has_serials
                && Serials::assertComplete($line->item->description, $line->quantity, $line->serials);
        }

        $lock = function () use ($lines, $till, $by): void {
            $this->gate->lock($by);
            $this->lock($lines, $till->location_id);
        };
        $write = function () use ($lines, $note, $key, $till, $by, $given): int {
            $till->location->assertOpenOn(ShopTime::today());
            $moves = array_map(
                fn (WriteOffLine $line): StockMove => new StockMove(
                    $line->item->id,
                    $till->location_id,
                    $line->quantity->value->negated(),
                    ($line->item->cost ?? UnitPrice::of('0')),
                    $this->cost($line)->negated(),
                ),
                $lines,
            );
            $this->stock->take($moves);
            $allowed = $this->back->allow($by, $given, $this->needs($lines, $moves, $till, $by));
            $document = $this->books->document($this->draft($lines, $note, $key, $till, $by));
            $this->stock->record(
                'write_off',
                array_map(static fn (StockMove $move): array => [$move, ShopTime::today(), $document], $moves),
            );
            DocumentApprovals::keep($document, $allowed);
            HandOver::write($document, $till, $by);
            $serials = [];

            foreach ($lines as $line) {
                $line->serials === []
                    || ($serials[$line->item->id] = [...$serials[$line->item->id] ?? [], ...$line->serials]);
            }

            $this->serials->sell($document, $serials);

            return $document;
        };

        return $this->books->post(Posting::under($key)->locking($lock)->writing($write));
    }

    /**
     * Goods and pieces, and what they cost now.
     *
     * @param  list<WriteOffLine>  $lines
     */
    private function lock(array $lines, int $location): void
    {
        $moving = new GoodsMoving;
        array_walk($lines, static fn (WriteOffLine $line) => $moving->out($line->item->id, $location, $line->serials));
        $costs = $this->stock->lock($moving);
        array_walk($lines, static fn (WriteOffLine $line) => ($line->item->cost = $costs[$line->item->id]));
    }

    /**
     * What is more than there was by the books, set aside for others, or worth more than somebody may let go. Asked
     * once the stock is taken, under its lock.
     *
     * @param  list<WriteOffLine>  $lines
     * @param  list<StockMove>  $moves
     * @return list<Need>
     */
    private function needs(array $lines, array $moves, Till $till, Staff $by): array
    {
        $needs = [];
        $stock = Stock::query()
            ->where('location_id', $till->location_id)
            ->whereIn('item_id', array_map(static fn (StockMove $move): int => $move->itemId, $moves))
            ->get()
            ->keyBy('item_id');

        foreach ($lines as $line) {
            $left = $stock->get($line->item->id);
            $onHand = BigDecimal::of($left->on_hand ?? '0');
            $why = match (true) {
                $onHand->isNegative() => 'there '
                    .(($there = $onHand->plus($line->quantity->value)->stripTrailingZeros())->isEqualTo(1)
                        ? 'is'
                        : 'are')
                    ." {$there} by the books",
                $onHand->isLessThan($left->committed ?? '0') => 'some of it is set aside for customers',
                default => '',
            };

            if ($why !== '') {
                $scope = Scope::of(ApprovalKind::WriteOff)
                    ->naming('item', $line->item->id)
                    ->naming('location', $till->location_id)
                    ->upTo('quantity', $line->quantity);
                $needs[] = new Need(
                    'write-off',
                    $scope,
                    Refused::because(
                        'more_than_there_is',
                        "{$line->item->code} “{$line->item->description}”: "
                            ."{$line->quantity->toString()} are written off, but {$why}. "
                            .$this->limits->whoMayApprove(LimitMatter::WriteOff, $this->cost($line)),
                    ),
                    "{$line->quantity->toString()} × {$line->item->code} written off, {$why}",
                    LimitMatter::WriteOff,
                    $this->cost($line),
                );
            }
        }

        return [...$needs, ...$this->worth($lines, $by)];
    }

    /**
     * @param  list<WriteOffLine>  $lines
     * @return list<Need>
     */
    private function worth(array $lines, Staff $by): array
    {
        $worth = Money::sum(
            array_map(fn (WriteOffLine $line): Money => $this->cost($line), $lines),
            $this->house->currency(),
        );

        if ($this->limit->allows($by, $worth)) {
            return [];
        }

        $scope = Scope::of(ApprovalKind::WriteOff)->upTo('worth', $worth);

        return [
            new Need(
                'write-off',
                $scope,
                Refused::because(
                    'over_write_off',
                    "Goods worth {$worth->toString()} are written off, more than {$by->name} may. "
                        .$this->limits->whoMayApprove(LimitMatter::WriteOff, $worth),
                ),
                "goods worth {$worth->toString()} written off",
                LimitMatter::WriteOff,
                $worth,
            ),
        ];
    }

    /** @param  list<WriteOffLine>  $lines */
    private function draft(array $lines, string $note, string $key, Till $till, Staff $by): DocumentDraft
    {
        $goods = array_map(
            fn (WriteOffLine $line): GoodsLine => GoodsLine::of(
                $line->item,
                $line->quantity,
                Direction::Out,
                GoodsTo::WrittenOff,
                $this->cost($line),
                $line->serials,
                $line->note,
                $line->reason->value,
            ),
            $lines,
        );

        return $this->drafts->draft(Purpose::WriteOff, $goods, PostedAt::till($till, $by->id), $key, $note);
    }

    private function cost(WriteOffLine $line): Money
    {
        return ($line->item->cost ?? UnitPrice::of('0'))->worth(
            $line->quantity,
            $line->item->price_per,
            $this->house->currency(),
        );
    }
}
