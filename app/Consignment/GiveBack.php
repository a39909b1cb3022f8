<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\Stock;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\GoodsDraft;
use Elmstone\Stock\GoodsLine;
use Elmstone\Support\Show;

/** Unsold goods go back to their owner: what is there and nobody's, at no cost, by a document both sign. */
final readonly class GiveBack
{
    public function __construct(
        private Books $books,
        private StockLedger $stock,
        private GoodsDraft $drafts,
        private Serials $serials,
        private House $house,
    ) {
    }

    /**
     * @param  list<TheirGoods>  $goods an item once
     * @return int the document's id
     *
     * @throws Refused not_theirs, nothing_chosen, not_there, day_closed
     */
    public function handle(Supplier $owner, array $goods, Till $till, Staff $by, string $key): int
    {
        $goods === [] && throw Refused::because('nothing_chosen', 'Type how many of at least one item go back.');
        array_walk($goods, static fn (TheirGoods $one) => $one->assertOf($owner));
        $moving = new GoodsMoving;
        array_walk($goods, static fn (TheirGoods $one) => $moving->out(
            $one->item->id, $till->location_id, $one->serials,
        ));

        return $this->books->post(
            Posting::under($key)
                ->locking(fn (): array => $this->stock->lock($moving))
                ->writing(fn (): int => $this->write($owner, $goods, PostedAt::till($till, $by->id), $till, $key)),
        );
    }

    /** @param  list<TheirGoods>  $goods */
    private function write(Supplier $owner, array $goods, PostedAt $at, Till $till, string $key): int
    {
        $till->location->assertOpenOn($at->day);
        $free = Stock::free(array_map(static fn (TheirGoods $one): int => $one->item->id, $goods));
        $nothing = $this->house->money(0);
        $moves = [];

        foreach ($goods as $one) {
            $there = $free["{$one->item->id} {$till->location_id}"] ?? null;
            $there !== null && ! $one->quantity->value->isGreaterThan($there) || throw Refused::because(
                'not_there',
                'Only '.Show::decimal($there ?? '0')." of {$one->item->code} is here and nobody’s.",
            );
            $moves[] = new StockMove(
                $one->item->id, $till->location_id, $one->quantity->value->negated(), UnitPrice::of('0'), $nothing,
            );
        }

        $this->stock->take($moves);
        $document = $this->books->document($this->drafts->draft(
            Purpose::GoodsToOwner,
            array_map(static fn (TheirGoods $one): GoodsLine => GoodsLine::of(
                $one->item, $one->quantity, Direction::Out, null, $nothing, $one->serials,
            ), $goods),
            $at,
            $key,
            "Back to {$owner->name}",
        ));
        $this->stock->record(
            'to_owner',
            array_map(static fn (StockMove $move): array => [$move, $at->day, $document], $moves),
        );
        $this->serials->sell($document, array_filter(array_combine(
            array_map(static fn (TheirGoods $one): int => $one->item->id, $goods),
            array_map(static fn (TheirGoods $one): array => $one->serials, $goods),
        )));

        return $document;
    }
}
