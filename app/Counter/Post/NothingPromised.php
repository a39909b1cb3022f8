<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;

/** What is set aside for others goes only where somebody approved it. */
final readonly class NothingPromised
{
    public function __construct(private StockLedger $stock)
    {
    }

    /**
     * @param  list<StockMove>  $moves
     *
     * @throws Refused committed
     */
    public function assert(ReckonedCounter $reckoned, array $moves): void
    {
        foreach ($moves === [] ? [] : $this->stock->short($moves) as $item) {
            foreach ($reckoned->slip->lines->where('item_id', $item) as $line) {
                $reckoned->needs->assertMayTakeCommitted($line);
            }
        }
    }
}
