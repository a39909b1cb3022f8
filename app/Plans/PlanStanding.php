<?php

declare(strict_types=1);

namespace Elmstone\Plans;

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
        $none = $house->money(0);
        [$notDue, $open, $late] = [$none, $none, $none];

        foreach ($plan->parts as $part) {
            $isPast = $part->due->lessThan($day->startOfDay());
            $state = match (true) {
                $part->item->open->isZero() => RungState::Met,
                $isPast => RungState::Missed,
                $isNext => RungState::Next,
                default => RungState::Later,
            };
            $isNext = $isNext && $state !== RungState::Next;
            $open = $open->plus($part->item->open);
            $late = $isPast ? $late->plus($part->item->open) : $late;
            $notDue = $isPast ? $notDue : $notDue->plus($part->item->open);
            $rungs[] = new Rung(
                $part->due,
                $part->amount,
                $part->amount->minus($part->item->open),
                $state,
            );
        }

        return new self(Ladder::standing($rungs), $open, $late, self::share($plan, $notDue));
    }

    /** The flat charge lies evenly in the parts: of what is not due yet, its share is charge × not due ÷ total. */
    private static function share(Plan $plan, Money $notDue): Money
    {
        return $plan->total()->isZero()
            ? $plan->charge
            : $plan->charge->apportion([$notDue->major(), $plan->total()->minus($notDue)->major()])[0];
    }
}
