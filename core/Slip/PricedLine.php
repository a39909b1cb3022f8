<?php

declare(strict_types=1);

namespace Elmstone\Core\Slip;

use Elmstone\Core\Money\Money;

/** A line with its gross and its own discount, before the slip discount. */
final readonly class PricedLine
{
    public function __construct(
        public SlipLine $line,
        public Money $gross,
        public Money $lineDiscount,
        public ?Money $coupons = null,
    ) {
    }

    /** The same with what coupons take off it. */
    public function withCoupons(Money $coupons): self
    {
        return new self($this->line, $this->gross, $this->lineDiscount, $coupons);
    }

    /** What is left for the slip discount. */
    public function afterCoupons(): Money
    {
        return $this->coupons === null ? $this->afterLineDiscount() : $this->afterLineDiscount()->minus($this->coupons);
    }

    public function afterLineDiscount(): Money
    {
        return $this->gross->minus($this->lineDiscount);
    }
}
