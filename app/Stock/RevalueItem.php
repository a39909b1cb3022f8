<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Catalogue\CostChanged;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Str;

/** An item's cost was typed otherwise: what is on hand is worth that from now on, by a document. */
final class RevalueItem implements CostChanged
{
    public function __construct(
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly Revalue $revalue,
    ) {
    }

    public function for(Item $item, Staff $by, Till $till): void
    {
        $key = (string) Str::uuid();
        $goods = (new GoodsMoving)->in($item->id, $till->location_id);
        $why = "The cost of {$item->code} was changed on its page";
        $this->books->post(
            Posting::under($key)
                ->locking(fn (): array => $this->stock->lock($goods))
                ->unless(static fn (): ?bool => null)
                ->writing(fn (): bool => $this->revalue->handle(
                    [$item->id], PostedAt::till($till, $by->id), $key, $why,
                ) !== null),
        );
    }
}
