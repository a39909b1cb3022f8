<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Brick\Math\BigInteger;
use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\Rung;
use Elmstone\Core\Layaway\RungState;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;

/**
 * Where a plan stands: what is met of each part, by the receivables ledger, and what of the flat charge lies in parts
 * not due yet.
 */
final readonly class PlanStanding
{
    private function __construct(
        public Ladder $ladder,
        public Money $open,
        public Money $late,
        public Money $chargeNotDue,
    ) {
    }

    /** @param  Plan  $plan with its parts and their items */
    public static function of(Plan $plan, House $house, CarbonImmutable $day): self
    {
        $rungs = [];
        $isNext = true;
        $notDue = 0;

        foreach ($plan->parts as $part) {
            $isPast = $part->due->lessThan($day->startOfDay());
            $state = match (true) {
                $part->item->open === 0 => RungState::Met,
                $isPast => RungState::Missed,
                $isNext => RungState::Next,
                default => RungState::Later,
            };
            $isNext = $isNext && $state !== RungState::Next;
            $notDue += $isPast ? 0 : $part->item->open;
            $rungs[] = new Rung(
                $part->due,
                $house->money($part->amount),
                $house->money($part->amount - $part->item->open),
                $state,
            );
        }

        $open = (int) $plan->parts->sum(static fn (PlanPart $part): int => $part->item->open);
        $late = (int) $plan->parts
            ->filter(static fn (PlanPart $part): bool => $part->due->lessThan($day->startOfDay()))
            ->sum(static fn (PlanPart $part): int => $part->item->open);

        return new self(
            Ladder::standing($rungs),
            $house->money($open),
            $house->money($late),
            self::share($plan, $house, $notDue),
        );
    }

    /** The flat charge lies evenly in the parts: of what is not due yet, its share is charge × not due ÷ total. */
    private static function share(Plan $plan, House $house, int $notDue): Money
    {
        return $plan->total() === 0
            ? $house->money(0)
            : $house
                ->money($plan->charge)
                ->apportion([BigInteger::of($notDue), BigInteger::of($plan->total() - $notDue)])[0];
    }
}
