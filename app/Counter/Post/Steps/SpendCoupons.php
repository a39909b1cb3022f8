<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Coupons\UseCoupons;
use Illuminate\Database\Eloquent\Collection;

/** Coupons on a slip are used up. */
final readonly class SpendCoupons extends Step
{
    public function __construct(private UseCoupons $coupons)
    {
    }

    public function post(SlipPosting $posting): void
    {
        $this->coupons->handle($posting->slip()->couponsShown ?? new Collection, $posting->slip()->day());
    }
}
