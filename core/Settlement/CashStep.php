<?php

declare(strict_types=1);

namespace Elmstone\Core\Settlement;

use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** The smallest coin in use, to which a cash payment is rounded: 0.05, say. */
final readonly class CashStep
{
    private function __construct(private Money $step)
    {
    }

    /** @throws Refused bad_cash_step */
    public static function of(Money $step): self
    {
        return $step->isPositive()
            ? new self($step)
            : throw Refused::because('bad_cash_step', 'A cash step must be more than zero.');
    }

    /** The nearest multiple of the step, half up. The amount is not below zero. */
    public function nearest(Money $amount): Money
    {
        $steps = BigInteger::of($amount->minor)
            ->multipliedBy(2)
            ->plus($this->step->minor)
            ->dividedBy(BigInteger::of($this->step->minor)->multipliedBy(2), RoundingMode::FLOOR);

        return Money::ofMinor($steps->multipliedBy($this->step->minor)->toInt(), $amount->currency);
    }
}
