<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;

/** What is available of an item at a place, and what there should be. */
final readonly class LowStock
{
    public function __construct(public BigDecimal $available, public BigDecimal $least, public BigDecimal $upTo)
    {
    }

    /** What is missing up to what there should be, once so much more has come; nothing where the least is reached. */
    public function missing(BigDecimal $coming): BigDecimal
    {
        $willBe = $this->available->plus($coming);

        return $willBe->isLessThan($this->least) ? $this->upTo->minus($willBe) : BigDecimal::zero();
    }
}
