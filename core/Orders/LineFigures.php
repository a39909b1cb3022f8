<?php

declare(strict_types=1);

namespace Elmstone\Core\Orders;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Closure;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;

/** So many of an ordered line, with the money that goes with them: in all, supplied so far, or supplied now. */
final readonly class LineFigures
{
    /** @param  BigDecimal  $quantity never below zero, with at most four places */
    public function __construct(
        public BigDecimal $quantity,
        public Money $gross,
        public Money $lineDiscount,
        public Money $slipDiscount,
    ) {
    }

    public static function none(Currency $currency): self
    {
        $zero = Money::zero($currency);

        return new self(BigDecimal::zero(), $zero, $zero, $zero);
    }

    public function net(): Money
    {
        return $this->gross->minus($this->lineDiscount)->minus($this->slipDiscount);
    }

    public function plus(self $that): self
    {
        return new self(
            $this->quantity->plus($that->quantity),
            $this->gross->plus($that->gross),
            $this->lineDiscount->plus($that->lineDiscount),
            $this->slipDiscount->plus($that->slipDiscount),
        );
    }

    public function minus(self $that): self
    {
        return new self(
            $this->quantity->minus($that->quantity),
            $this->gross->minus($that->gross),
            $this->lineDiscount->minus($that->lineDiscount),
            $this->slipDiscount->minus($that->slipDiscount),
        );
    }

    /** The share of each figure that goes with so many: `round(X × many ÷ quantity)`. */
    public function upTo(BigDecimal $many): self
    {
        $share = $many->isEqualTo($this->quantity)
            ? static fn (Money $figure): Money => $figure
            : fn (Money $figure): Money => Money::round(
                BigRational::of($figure->major())->multipliedBy($many)->dividedBy($this->quantity),
                $figure->currency,
            );

        return $this->with($many, $share);
    }

    /** @param  Closure(Money): Money  $share */
    private function with(BigDecimal $many, Closure $share): self
    {
        return new self($many, $share($this->gross), $share($this->lineDiscount), $share($this->slipDiscount));
    }
}
