<?php

declare(strict_types=1);

namespace Elmstone\Core\Layaway;

use DateTimeImmutable;
use Elmstone\Core\Money\Money;

/** Instalments with what was paid on them: payments meet the oldest first. */
final readonly class Ladder
{
    /** @param  list<Rung>  $rungs oldest first */
    private function __construct(public array $rungs)
    {
    }

    /**
     * @param  list<Instalment>  $instalments oldest first
     * @param  Money  $paid all that was paid on them
     * @param  DateTimeImmutable  $day as of the end of it
     */
    public static function of(array $instalments, Money $paid, DateTimeImmutable $day): self
    {
        $rungs = [];
        $isNext = true;

        foreach ($instalments as $instalment) {
            $met = Money::min($paid, $instalment->amount);
            $paid = $paid->minus($met);
            $state = match (true) {
                $met->equals($instalment->amount) => RungState::Met,
                $instalment->due->format('Y-m-d') < $day->format('Y-m-d') => RungState::Missed,
                $isNext => RungState::Next,
                default => RungState::Later,
            };
            $isNext = $isNext && $state !== RungState::Next;
            $rungs[] = new Rung($instalment->due, $instalment->amount, $met, $state);
        }

        return new self($rungs);
    }

    /**
     * Rungs of which something else says how far each is met.
     *
     * @param  list<Rung>  $rungs oldest first
     */
    public static function standing(array $rungs): self
    {
        return new self($rungs);
    }

    /** The oldest that is not met; null: all are. */
    public function firstUnmet(): ?Rung
    {
        foreach ($this->rungs as $rung) {
            if ($rung->state !== RungState::Met) {
                return $rung;
            }
        }

        return null;
    }

    /** What is due by the end of the day and not paid. */
    public function dueBy(DateTimeImmutable $day): ?Money
    {
        $due = null;

        foreach ($this->rungs as $rung) {
            if ($rung->state !== RungState::Met && $rung->due->format('Y-m-d') <= $day->format('Y-m-d')) {
                $due = $due?->plus($rung->open()) ?? $rung->open();
            }
        }

        return $due;
    }

    /** Whether an instalment past its due date and the days of grace is not met. */
    public function isBehind(DateTimeImmutable $day, int $graceDays): bool
    {
        $unmet = $this->firstUnmet();

        return $unmet !== null && $unmet->due->modify("+{$graceDays} days")->format('Y-m-d') < $day->format('Y-m-d');
    }
}
