<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Elmstone\Core\Catalogue\MovingAverage;
use Elmstone\Core\Money\UnitPrice;
use Illuminate\Support\Facades\DB;

/** Keeps the items' average cost when goods come in. In the transaction that brought them in, their stock locked. */
final class AverageCost
{
    /** @param  list<StockMove>  $moves that came in already */
    public function after(array $moves): void
    {
        usort($moves, static fn (StockMove $one, StockMove $other): int => $one->itemId <=> $other->itemId);

        foreach ($moves as $move) {
            $cost = DB::table('items')->where('id', $move->itemId)->lockForUpdate()->value('cost');
            $onHand = BigDecimal::of((string) DB::table('stock')->where('item_id', $move->itemId)->sum('on_hand'))->minus($move->quantity);
            $average = $cost === null ? $move->unitCost : MovingAverage::of($onHand, UnitPrice::of((string) BigDecimal::of((string) $cost)->stripTrailingZeros()), $move->quantity, $move->unitCost);
            DB::table('items')->where('id', $move->itemId)->update(['cost' => $average->toString()]);
        }
    }
}
