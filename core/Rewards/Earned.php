<?php

declare(strict_types=1);

namespace Elmstone\Core\Rewards;

use Elmstone\Core\Money\Money;

/** Points that became rewards, and those that are left. */
final readonly class Earned
{
    /**
     * @param  int  $left points that go on being collected
     * @param  int  $times how often the threshold was full
     * @param  Money  $rewards store credit they come to
     */
    public function __construct(public int $left, public int $times, public Money $rewards)
    {
    }
}
