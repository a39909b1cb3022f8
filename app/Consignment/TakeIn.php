<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;

/** Goods of an owner come in: on hand, worth nothing in the books. */
final readonly class TakeIn
{
    public function __construct(private BringIn $bringIn, private House $house)
    {
    }

    /**
     * @param  list<TheirGoods>  $goods an item once
     * @return int the document's id
     *
     * @throws Refused not_theirs, nothing_chosen, serial_missing, day_closed
     */
    public function handle(Supplier $owner, array $goods, Till $till, Staff $by, string $key): int
    {
        array_walk($goods, static fn (TheirGoods $one) => $one->assertOf($owner));

        return $this->bringIn->handle(
            array_map(fn (TheirGoods $one): Incoming => new Incoming(
                $one->item,
                Quantity::of($one->quantity->toString()),
                $this->house->money(0),
                $one->serials,
            ), $goods),
            Purpose::GoodsIn,
            PostedAt::till($till, $by->id),
            $key,
            "Of {$owner->name}, on consignment",
        );
    }
}
