<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;

/** A schedule that payments go up one after the other: each meets the oldest instalment that is not met. */
final class PaidLadder
{
    /** @var array<int, Money> by position */
    private array $open;

    /**
     * @param  array<int, LayawayInstalment>  $parts by position, the oldest first
     * @param  Money  $before what is paid before anything is paid on these
     */
    public function __construct(private readonly array $parts, private Money $before)
    {
        $this->open = array_map(static fn (LayawayInstalment $part): Money => $part->amount, $parts);
    }

    /**
     * @param  Money  $amount below zero: what was paid came back, and the last met is open again
     * @return array<int, Money> what it met, by position
     */
    public function pay(Money $amount): array
    {
        return $amount->isNegative() ? $this->comeBack($amount->negated()) : $this->meet($amount);
    }

    /** @return array<int, Money> */
    private function meet(Money $amount): array
    {
        $first = Money::min($amount, $this->before);
        $this->before = $this->before->minus($first);
        $amount = $amount->minus($first);
        $met = [];

        foreach ($this->open() as $position => $left) {
            $part = Money::min($amount, $left);

            if (! $part->isPositive()) {
                break;
            }

            $met[$position] = $part;
            $this->open[$position] = $left->minus($part);
            $amount = $amount->minus($part);
        }

        return $met;
    }

    /** @return array{} */
    private function comeBack(Money $amount): array
    {
        foreach (array_reverse($this->parts, true) as $position => $part) {
            $again = Money::min($amount, $part->amount->minus($this->open[$position]));
            $this->open[$position] = $this->open[$position]->plus($again);
            $amount = $amount->minus($again);
        }

        $this->before = $this->before->plus($amount);

        return [];
    }

    /** @return array<int, Money> what is open, by position */
    public function open(): array
    {
        return array_filter($this->open, static fn (Money $left): bool => $left->isPositive());
    }

    public function due(int $position): CarbonImmutable
    {
        return $this->parts[$position]->due;
    }

    /** Days from the due date to a day; before it: below zero. */
    public function daysLate(int $position, string $day): int
    {
        return (int) $this->due($position)->diffInDays(CarbonImmutable::parse($day));
    }
}
