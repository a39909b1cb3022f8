<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;

/**
 * What came back of a sold line in one step: so many pieces with their money, or, at none, money alone (a price
 * corrected).
 */
final readonly class Taken
{
    /** @param  array<string, Money>  $tax by component id */
    private function __construct(
        public BigDecimal $quantity,
        public Money $net,
        public array $tax,
        public Money $cost,
    ) {
    }

    /** @param  array<string, Money>  $tax */
    public static function of(BigDecimal $quantity, Money $net, array $tax, ?Money $cost = null): self
    {
        return new self($quantity, $net, $tax, $cost ?? Money::zero($net->currency));
    }

    public function isMoneyOnly(): bool
    {
        return $this->quantity->isZero();
    }

    public function taxTotal(): Money
    {
        return Money::sum($this->tax, $this->net->currency);
    }

    /** Net and tax, for prices without tax. */
    public function withTax(): Money
    {
        return $this->net->plus($this->taxTotal());
    }
}
