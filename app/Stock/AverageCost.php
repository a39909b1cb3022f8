<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Brick\Math\BigDecimal;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Catalogue\MovingAverage;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Ramsey\Uuid\Uuid;

/**
 * Keeps the items' average cost when goods come back to stock. In the transaction that brought them, their items and
 * all their stock locked.
 */
final class AverageCost
{
    public function __construct(private readonly House $house, private readonly Revalue $revalue)
    {
    }

    /**
     * Where nothing, or less, was there before, what came back sets the cost anew, and what the sales before were
     * costed otherwise is put right by a document.
     *
     * @param  list<StockMove>  $moves that came in already, and are recorded
     * @param  string  $key of the document they came in with
     */
    public function after(array $moves, PostedAt $at, string $key, int $document): void
    {
        $came = [];

        foreach ($moves as $move) {
            $came[$move->itemId] ??= [BigDecimal::zero(), $this->house->money(0)];
            $came[$move->itemId] = [
                $came[$move->itemId][0]->plus($move->quantity),
                $came[$move->itemId][1]->plus($move->value ?? $this->house->money(0)),
            ];
        }

        [$costs, $anew] = [[], []];

        foreach ($came === [] ? [] : Worth::of(array_keys($came), $this->house->currency()) as $item => $worth) {
            [$quantity, $value] = $came[$item];
            $before = $worth->onHand->minus($quantity);
            $costs[$item] = MovingAverage::of($before, $worth->cost, $quantity, $this->perPrice($value, $worth));
            $before->isPositive() || ($anew[] = $item);
        }

        Revalue::setCosts($costs);
        $anew === []
            || $this->revalue->handle(
                $anew,
                $at,
                Uuid::uuid5(Uuid::fromString($key), 'revalued')->toString(),
                'Nothing was on hand when this came back',
                $document,
            );
    }

    private function perPrice(Money $value, Worth $worth): BigDecimal
    {
        return $value->major()->multipliedBy($worth->pricePer);
    }
}
