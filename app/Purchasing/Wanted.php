<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;

/** So much of an item that an agreement waits for: what it is bought for, and whom it goes to when it is here. */
final readonly class Wanted
{
    /**
     * @param  int  $line of the agreement
     * @param  string  $label of the agreement
     * @param  string  $who whose it is
     */
    public function __construct(
        public int $agreement,
        public int $line,
        public int $item,
        public BigDecimal $quantity,
        public string $label = '',
        public string $who = '',
    ) {
    }

    public function with(BigDecimal $quantity): self
    {
        return new self($this->agreement, $this->line, $this->item, $quantity, $this->label, $this->who);
    }
}
