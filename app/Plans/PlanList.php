<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\Show;

/** Payment plans as a list to work through. */
final class PlanList
{
    /**
     * @param  iterable<PlanRow>  $plans
     * @return Report<PlanRow>
     */
    public static function of(iterable $plans, CarbonImmutable $day, House $house): Report
    {
        return Report::of('Payment plans', $plans, [
            Column::code(
                'Plan',
                'plan',
                static fn (PlanRow $plan): string => $plan->label,
                static fn (PlanRow $plan): string => route('plans.show', $plan->label),
            ),
            Column::text('Customer', 'customer', static fn (PlanRow $plan): string => $plan->name)
                ->leading(static fn (PlanRow $plan): string => route('accounts.show', $plan->number)),
            Column::money('Total', 'total', static fn (PlanRow $plan): Money => $house->money($plan->total)),
            Column::text(
                'Parts met',
                'parts met',
                static fn (PlanRow $plan): string => "{$plan->met} of {$plan->parts}",
            )->nowrap(),
            Column::money('Open', 'open', static fn (PlanRow $plan): Money => $house->money($plan->open)),
            Column::money('Late', 'late', static fn (PlanRow $plan): Money => $house->money($plan->late))
                ->blankAtZero()
                ->toned(static fn (): string => 'brick'),
            Column::day('Next part', 'next part', static fn (PlanRow $plan): ?CarbonImmutable => $plan->nextDue),
            Column::text('What to do', 'next', static fn (PlanRow $plan): string => $plan->nextStep($house))->small(),
        ])
            ->about('goods taken and paid in parts, as of '.Show::date($day)." · {$house->currency()->code}")
            ->orElse(
                'None here. A plan is made from an open invoice on account: open the invoice, then “Pay in parts”.',
            );
    }
}
