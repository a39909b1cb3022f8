<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Shop\House;
use Elmstone\Support\Due\Due;
use Elmstone\Support\Due\HasDue;

/** Payment plans with a part that is late. */
final readonly class DuePlans implements HasDue
{
    public function __construct(private PlanWorklist $worklist, private House $house)
    {
    }

    public function due(CarbonImmutable $day, int $most): iterable
    {
        foreach ($this->worklist->late($day, $most) as $plan) {
            yield new Due(
                $plan->label,
                route('plans.show', $plan->label),
                $plan->name,
                $plan->reach(),
                $plan->nextDue ?? $day,
                $this->house->money($plan->late),
                'part of a plan late',
                $plan->nextStep($this->house),
                true,
            );
        }
    }
}
