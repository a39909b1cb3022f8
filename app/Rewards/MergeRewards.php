<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Elmstone\Receivables\Accounts\FollowsMerge;
use Elmstone\Support\ShopTime;

/** Points of the one that goes are the other's. */
final class MergeRewards implements FollowsMerge
{
    public function merge(int $from, int $into): void
    {
        $points = Points::of($from);

        if ($points !== 0) {
            Points::write($from, 'merged', -$points, ShopTime::today());
            Points::write($into, 'merged', $points, ShopTime::today());
        }
    }
}
