<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;

/**
 * So much of a sum: a percentage of it, a fixed amount, or whichever of the two is more; never more than the sum
 * itself.
 */
final readonly class Portion
{
    private function __construct(public ?Percentage $percent, public ?Money $amount)
    {
    }

    public static function nothing(): self
    {
        return new self(null, null);
    }

    /** @throws Refused bad_percent when above 100, bad_amount when below zero */
    public static function of(?string $percent, ?Money $amount): self
    {
        return $amount?->isNegative() === true
            ? throw Refused::because('bad_amount', 'An amount of the terms cannot be below zero.')
            : new self($percent === null ? null : Percentage::ofWhole($percent), $amount);
    }

    /** @param  Money  $sum not below zero */
    public function ofSum(Money $sum): Money
    {
        $byPercent = $this->percent === null ? Money::zero($sum->currency) : $sum->percent($this->percent);
        $more = $this->amount?->exceeds($byPercent) === true ? $this->amount : $byPercent;

        return Money::min($more, $sum);
    }
}
