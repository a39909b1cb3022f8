<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Brick\Math\BigDecimal;

/** Whoever buys goods knows what is on its way of them. */
interface OnTheirWay
{
    /**
     * @param  list<int>  $items ids
     * @return array<int, array<int, BigDecimal>> how much by item and location; what nothing is to come of is not in it
     */
    public function byPlace(array $items): array;
}
