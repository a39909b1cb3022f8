<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use DateTimeImmutable;
use Elmstone\Core\Money\Money;

/** One instalment of a ladder, and how much of it is met. */
final readonly class Rung
{
    public function __construct(
        public DateTimeImmutable $due,
        public Money $amount,
        public Money $met,
        public RungState $state,
    ) {
    }

    public function open(): Money
    {
        return $this->amount->minus($this->met);
    }

    public function isPartlyMet(): bool
    {
        return $this->met->isPositive() && $this->open()->isPositive();
    }
}
