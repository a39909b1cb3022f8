<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Receiving;

use Brick\Math\BigDecimal;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Purchasing\Wanted;

/** Goods that are here and were brought for nobody go to who waits longest. */
final readonly class ServeOldest
{
    /** So many lines are served at once, the oldest; others with the next goods. */
    private const SERVED = 1000;

    public function __construct(private WaitsForGoods $orders)
    {
    }

    /**
     * Who may get some, before anything is locked.
     *
     * @param  list<int>  $items
     * @return list<int> agreements
     */
    public function mayGet(int $location, array $items): array
    {
        return array_values(array_unique(array_map(
            static fn (Wanted $wanted): int => $wanted->agreement,
            $this->orders->waiting($location, $items, self::SERVED),
        )));
    }

    /**
     * Under the locks.
     *
     * @param  array<int, BigDecimal>  $goods how many of each item are free
     * @param  list<int>  $locked agreements; others get nothing now
     * @return list<Wanted> what was set aside
     */
    public function with(array $goods, int $location, array $locked): array
    {
        $for = [];

        foreach ($this->orders->waiting($location, array_keys($goods), among: $locked) as $wanted) {
            $rest = $goods[$wanted->item];
            $now = $wanted->quantity->isGreaterThan($rest) ? $rest : $wanted->quantity;

            if ($now->isPositive()) {
                $for[] = $wanted->with($now);
                $goods[$wanted->item] = $rest->minus($now);
            }
        }

        return $for === [] ? [] : $this->orders->serve($for, $location);
    }
}
