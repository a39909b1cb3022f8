<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Opening\OpeningItem;

/** What a table of open items comes to, and what is wrong in it. */
final readonly class OpeningReport
{
    /**
     * @param  list<OpeningItem>  $items
     * @param  list<array{line: int, row: array<string, string>, complaint: string}>  $complaints the first of them
     * @param  int  $bad rows that are not right
     */
    public function __construct(
        public array $items,
        public array $complaints,
        public int $bad,
        private Currency $currency,
    ) {
    }

    public function owed(): Money
    {
        return $this->sum(static fn (OpeningItem $item): bool => $item->open->isPositive());
    }

    /** Below zero. */
    public function credit(): Money
    {
        return $this->sum(static fn (OpeningItem $item): bool => $item->open->isNegative());
    }

    public function accounts(): int
    {
        return count(array_unique(array_map(static fn (OpeningItem $item): int => $item->customer, $this->items)));
    }

    /** @param  callable(OpeningItem): bool  $which */
    private function sum(callable $which): Money
    {
        return Money::sum(
            array_map(static fn (OpeningItem $item): Money => $item->open, array_filter($this->items, $which)),
            $this->currency,
        );
    }
}
