<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\Money;

/** What is earned on goods: `net − cost`, as part of the net (margin) and of the cost (mark-up). */
final readonly class Margin
{
    private function __construct(public Money $net, public Money $cost, public Money $amount)
    {
    }

    public static function of(Money $net, Money $cost): self
    {
        return new self($net, $cost, $net->minus($cost));
    }

    /** Margin ÷ net in percent, 2 places; null where nothing was taken. */
    public function percent(): ?BigDecimal
    {
        return $this->partOf($this->net);
    }

    /** Margin ÷ cost in percent, 2 places; null where it cost nothing. */
    public function markup(): ?BigDecimal
    {
        return $this->partOf($this->cost);
    }

    private function partOf(Money $whole): ?BigDecimal
    {
        return $whole->isZero()
            ? null
            : BigDecimal::of($this->amount->minor)
                ->multipliedBy(100)
                ->dividedBy($whole->minor, 2, RoundingMode::HALF_UP);
    }
}
